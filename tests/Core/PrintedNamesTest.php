<?php

declare(strict_types=1);

use Tests\Support\RuledPage;
use Unanimus\Signing\PageMarks;
use Unanimus\Signing\PrintedNames;
use Unanimus\Signing\ProposedMark;
use Unanimus\Signing\Seat;

const PEOPLE = [
    'buyer.1' => 'Sunniva Eide',
    'buyer.2' => 'José Nguyễn-Ortiz',
    'seller.1' => 'Odalys Greywater',
    'agent.1' => 'Tomás Reyes-Whitlock',
];

it('knows the names of the people in a text, however it writes them', function (string $text, ?string $seat, bool $isAll) {
    $names = PrintedNames::of(PEOPLE);
    $found = $names->in($text);
    expect($found === null ? null : (string) $found)->toBe($seat)->and($names->isAll($text))->toBe($isAll);
})->with([
    ['Sunniva Eide', 'buyer.1', true],
    ['EIDE, SUNNIVA', 'buyer.1', true],
    ['Jose Nguyen Ortiz', 'buyer.2', true],
    ['Odalys Greywater, trustee', 'seller.1', true],
    ['Tomás Reyes-Whitlock (licensee)', 'agent.1', true],
    ['The house is sold to Sunniva Eide as she stands', 'buyer.1', false],
    ['Sunniva Eide and José Nguyễn-Ortiz', null, false],
    ['Sunniva', null, false],
    ['Buyer', null, false],
    ['', null, false],
]);

it('does not go by a name that two bear, or of one word', function () {
    $names = PrintedNames::of(['buyer.1' => 'Orla Kim', 'buyer.2' => 'Kim, Orla', 'seller.1' => 'Cher']);
    expect($names->in('Orla Kim'))->toBeNull()->and($names->in('Cher'))->toBeNull();
});

it('gives a line to whose name is printed at it, whatever the order', function (array $parts, string $asked, array $seats) {
    $text = 'Each of us has read every page of this with care and agrees to all of it, as it stands.';
    $page = RuledPage::of([[72, 100, $text], ...$parts]);
    $found = PageMarks::on($page, array_map(Seat::of(...), $seats), PrintedNames::of(PEOPLE));
    expect(implode(', ', array_map(
        static fn (ProposedMark $mark) => $mark->kind->value.' '.($mark->seat ?? '?'.$mark->role?->value),
        $found,
    )))->toBe($asked);
})->with([
    'the second buyer first' => [
        [[72, 280, 200], [72, 203, 'José Nguyễn-Ortiz'], [72, 280, 260], [72, 263, 'Sunniva Eide']],
        'signature buyer.2, signature buyer.1',
        ['buyer.1', 'buyer.2'],
    ],
    'a name after its role' => [
        [[72, 280, 200], [72, 203, 'Buyer: José Nguyễn-Ortiz'], [300, 380, 200], [300, 203, 'Date']],
        'signature buyer.2, date buyer.2',
        ['buyer.1', 'buyer.2'],
    ],
    'one who is named, then the next of that role' => [
        [[72, 280, 200], [72, 203, 'Sunniva Eide, Buyer'], [72, 280, 250], [72, 253, 'Buyer']],
        'signature buyer.1, signature buyer.2',
        ['buyer.1', 'buyer.2'],
    ],
    'one whom the other side asks' => [
        [[72, 280, 200], [72, 203, 'Odalys Greywater, trustee'], [72, 280, 250], [72, 253, 'Sunniva Eide']],
        'signature ?seller, signature buyer.1',
        ['buyer.1', 'buyer.2'],
    ],
]);
