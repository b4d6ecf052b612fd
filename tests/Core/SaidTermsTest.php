<?php

declare(strict_types=1);

use Tests\Support\TypedPage;
use Unanimus\Dates\LocalDate;
use Unanimus\Forms\ContractForms;
use Unanimus\Forms\CrossCheck;
use Unanimus\Forms\Finding;
use Unanimus\Forms\PaperReading;
use Unanimus\Forms\ReadTerms;
use Unanimus\Forms\SaidTerm;
use Unanimus\Forms\SaidTerms;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Word;
use Unanimus\Terms\Facts;

/** @return array<string, array{string, list<string>}> pages of contracts on other forms, and what each says, by what they are */
function otherContracts(): array
{
    $papers = [];
    foreach (explode("\n\n", trim((string) file_get_contents(__DIR__.'/other-contracts.txt'))) as $paper) {
        $rows = explode("\n", $paper);
        $name = substr((string) array_shift($rows), 2);
        $says = array_filter($rows, fn (string $row) => str_starts_with($row, '> '));
        $papers[$name] = [implode("\n", array_diff_key($rows, $says)), array_map(fn (string $row) => substr($row, 2), array_values($says))];
    }

    return $papers;
}

/** @return list<string> */
function saidOn(string $text): array
{
    $said = SaidTerms::in([1 => TypedPage::words($text)], LocalDate::of('2026-11-30'));

    return array_map(fn (SaidTerm $one) => "{$one->name}: {$one->value}", $said);
}

it('reads what contracts on other forms say of a deal', function (string $text, array $expected) {
    expect(saidOn($text))->toBe($expected);
})->with(otherContracts());

it('reads nothing from blanks, from what makes no deal, and from figures of something else', function (string $text) {
    expect(saidOn($text))->toBe([]);
})->with([
    'an empty form' => ["PURCHASE AGREEMENT\nBuyer: ____________________ Seller: ____________________\n".
        'Purchase price: $__________ Closing date: ________'],
    'an invoice' => ["INVOICE\nTotal: \$412,500.00 Date: November 20, 2026"],
    'labels without entries' => ["PURCHASE AGREEMENT\nTown      County      Parcel number\nPossession: at closing"],
    'nothing' => [''],
    'a price alone' => ['The purchase price is $412,500.'],
]);

it('says where it stands, in which words, and on which page', function () {
    $pages = [
        2 => TypedPage::words("Closing takes place on\nDecember 28, 2026."),
        1 => TypedPage::words("PURCHASE CONTRACT\nPurchase price: \$412,500.00"),
    ];
    [$price, $closing] = SaidTerms::in($pages, LocalDate::of('2026-11-30'));
    expect([$price->page, $price->quote, $price->place->x, $price->place->y])->toBe([1, 'Purchase price: $412,500.00', 130.0, 94.0])
        ->and([$closing->name, $closing->value, $closing->page, $closing->quote])
        ->toBe(['closing', 'December 28, 2026', 2, 'Closing takes place on December 28, 2026'])
        ->and($closing->place->width)->toBe(90.0);
});

it('takes the first of two that say the same thing, and a sum in words by its figures', function () {
    $text = "PURCHASE AGREEMENT\nThe purchase price is Four Hundred Thousand and 00/100 Dollars (\$400,000.00).\nPurchase price: \$1.00\n".
        "Closing date: 13/45/2026\nClosing date: 1/15/27";
    expect(saidOn($text))->toBe(['price: $400,000', 'closing: January 15, 2027']);
});

it('keeps what it read with the version, and proposes only what the file does not know', function () {
    $said = SaidTerms::in([1 => TypedPage::words(otherContracts()['labels'][0])], LocalDate::of('2026-11-30'));
    $kept = PaperReading::ofKept((new PaperReading(said: $said))->kept(), []);
    expect($kept->form)->toBeNull()->and($kept->said)->toHaveCount(count($said))
        ->and($kept->said[0])->toEqual($said[0])
        ->and((new PaperReading())->kept())->toBeNull();
    $proposed = ReadTerms::ofSaid($kept->said, Facts::from(['price' => '412500.00']), ['buyer.1']);
    $names = array_map(fn (ReadTerms $one) => $one->name, $proposed);
    expect($names)->toContain('closing', 'buyer.2', 'seller.1')->not->toContain('price', 'buyer.1')
        ->and($proposed[0]->label)->toBe('Earnest money')->and($proposed[0]->quote)->toBe('Earnest Money: $5,000.00')
        ->and(end($proposed)->label)->toBe('Seller 1')->and(end($proposed)->isPerson)->toBeTrue();
});

it('reads words of a scan that stand a little higher or lower', function () {
    $words = array_map(
        fn (Word $word) => new Word($word->text, $word->x, $word->y + (crc32($word->text) % 5) - 2, $word->width, $word->height),
        TypedPage::words(otherContracts()['sentences'][0]),
    );
    $said = array_map(fn (SaidTerm $one) => "{$one->name}: {$one->value}", SaidTerms::in([1 => $words], LocalDate::of('2026-11-30')));
    expect($said)->toBe(otherContracts()['sentences'][1]);
});

it('ends a name where the sentence ends, and not before "Inc."', function (string $holder, string $expected) {
    $text = "PURCHASE AGREEMENT\nPurchase price: \$289,900.00\nEarnest money of \$3,500 is held by {$holder}\nIt is paid at closing.";
    expect(saidOn($text))->toBe(['price: $289,900', 'earnest_money: $3,500', "escrow_holder: {$expected}"]);
})->with([
    ['Kestrel Title Company.', 'Kestrel Title Company'],
    ['Kestrel Title, Inc.', 'Kestrel Title'],
    ['Kestrel Title Inc.', 'Kestrel Title Inc.'],
]);

it('holds what it says against the file: sums, days, the address and names', function () {
    $said = SaidTerms::in([1 => TypedPage::words(otherContracts()['labels'][0])], LocalDate::of('2026-11-30'));
    $told = fn (array $facts, array $people = []) => array_map(
        fn (Finding $one) => $one->text,
        CrossCheck::ofSaid($said, Facts::from($facts), $people),
    );
    $same = ['price' => '412500.00', 'closing' => '2026-12-28', 'property.street' => '14 Lanternfish Ln', 'earnest_money' => '5000.00'];
    expect($told($same, ['buyer.1' => 'Sunniva M. Eide', 'buyer.2' => 'José Nguyễn-Ortiz', 'seller.1' => 'Maren Holt']))->toBe([])
        ->and($told([]))->toBe([])
        ->and($told(['price' => '410000.00', 'closing' => '2026-12-30', 'property.street' => '12 Lanternfish Lane']))
        ->toBe([
            'Price says $412,500 here; the terms say $410,000 now.',
            'Closing says December 28, 2026 here; the terms say December 30, 2026 now.',
            'The address here is 14 Lanternfish Lane; the file says 12 Lanternfish Lane.',
        ])
        ->and($told($same, ['buyer.1' => 'Ada Quist', 'buyer.2' => 'José Nguyễn-Ortiz']))
        ->toBe(['It names Sunniva Eide as buyer 1; the file says Ada Quist and José Nguyễn-Ortiz.']);
});

it('does not take what a form prints to choose from for what was chosen, nor a heading for a label', function () {
    $text = "PURCHASE AGREEMENT\nBuyer: Sunniva Eide\nFinancing: conventional FHA VA cash\n".
        "The buyer obtains a conventional loan, an FHA loan, or pays cash.\n".
        "Not included:\nLeased equipment of the property\nAlso included:      range      washer\n".
        "13. Closing and possession\nClosing is on December 18, 2026.\nThe buyer takes possession on      December 21, 2026.\n".
        "Town Tidewick     County Ostrander     State\nStreet address: 14 Lanternfish Lane      Unit      Town";
    expect(saidOn($text))->toBe([
        'closing: December 18, 2026', 'possession: December 21, 2026', 'property.street: 14 Lanternfish Lane', 'property.city: Tidewick',
        'property.county: Ostrander', 'buyer.1: Sunniva Eide',
    ]);
});

it('takes two companies for two, though both are LLCs, and a counteroffer for no offer', function () {
    $said = [new SaidTerm('buyer.1', 'Greywater Holdings, LLC', '', 1, new Rect(0, 0, 1, 1))];
    $told = fn (string $known) => CrossCheck::ofSaid($said, Facts::from([]), ['buyer.1' => $known]);
    expect($told('Greywater Holdings LLC'))->toBe([])->and($told('Harborstone Homes, LLC'))->toHaveCount(1)
        ->and(ContractForms::isOffer('Offer to purchase, Quist'))->toBeTrue()
        ->and(ContractForms::isOffer('Counter offer no. 1'))->toBeFalse()
        ->and(ContractForms::isOffer('Home inspection report'))->toBeFalse();
});
