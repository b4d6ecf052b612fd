<?php

declare(strict_types=1);

use Unanimus\Dates\LocalDate;
use Unanimus\Files\PaperRefusal;
use Unanimus\Files\PaperState;
use Unanimus\Forms\Afterwards;
use Unanimus\Forms\EntryLog;
use Unanimus\Forms\FillRefusal;
use Unanimus\Forms\FillStatus;
use Unanimus\Forms\Library;
use Unanimus\Forms\LoggedEntry;
use Unanimus\Forms\ReadBack;
use Unanimus\Forms\ReadTerms;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\Representation;
use Unanimus\Parties\Side;
use Unanimus\Signing\PrivateEntry;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Signing\WorkingCopyRules;
use Unanimus\Terms\Facts;

/** @param  list<array{string, string|null}>  $entries */
function entryLog(array $entries): EntryLog
{
    $at = new DateTimeImmutable('2026-11-27 09:00');

    return new EntryLog(array_map(static fn (array $one) => new LoggedEntry($one[0], $one[1], 'Tomás', $at), $entries));
}

it('knows how a paper stood after each entry, and what brings that back', function () {
    $log = entryLog([['price', '1'], ['rent', '5'], ['price', '2'], ['rent', null], ['note', 'x']]);
    expect($log->count())->toBe(5)
        ->and(array_map($log->at(...), range(0, 5)))->toBe([
            [],
            ['price' => '1'],
            ['price' => '1', 'rent' => '5'],
            ['price' => '2', 'rent' => '5'],
            ['price' => '2'],
            ['price' => '2', 'note' => 'x'],
        ])
        ->and($log->at(-3))->toBe([])
        ->and($log->at(99))->toBe($log->at(5))
        ->and($log->difference(2, 5))->toBe(['price', 'rent', 'note'])
        ->and($log->difference(3, 3))->toBe([])
        ->and($log->bringingBack(2))->toBe(['price' => '1', 'rent' => '5', 'note' => null])
        ->and($log->bringingBack(2, ['rent', 'nonsense']))->toBe(['rent' => '5'])
        ->and($log->bringingBack(5))->toBe([]);
});

it('stands, after what brings a state back is entered, as it stood then', function () {
    mt_srand(27);
    for ($run = 0; $run < 200; $run++) {
        $entries = [];
        for ($i = 0; $i < 12; $i++) {
            $entries[] = [['a', 'b', 'c'][mt_rand(0, 2)], mt_rand(0, 3) === 0 ? null : (string) mt_rand(1, 4)];
        }
        $log = entryLog($entries);
        $state = mt_rand(0, 12);
        $back = $log->bringingBack($state);
        $after = entryLog([...$entries, ...array_map(static fn ($blank) => [$blank, $back[$blank]], array_keys($back))]);
        expect($after->at($after->count()))->toEqual($log->at($state));
    }
});

it('proposes what a paper says and the file does not know, each once, with its place', function () {
    $form = (new Library(dirname(__DIR__, 2).'/library'))->form('M-201');
    $values = [];
    foreach ($form->blanks as $blank) {
        $values[$blank->name] = match ((string) $blank->binding) {
            'buyers.names' => 'Sunniva Eide, José Nguyễn-Ortiz and Ann & Bo Lund',
            'sellers.names' => 'Beatrix Palomar',
            'price' => '412500.00',
            'closing' => '2026-12-18',
            'earnest_money' => '8000.00',
            default => '',
        };
    }
    $read = new ReadBack('M-201', '2026-08', $values, [1 => 4, 2 => 5]);
    $terms = ReadTerms::of($read, $form, Facts::from(['earnest_money' => '8000']), ['buyer.1']);
    $told = array_map(static fn (ReadTerms $one) => [$one->name, $one->label, $one->typed, $one->isPerson], $terms);
    expect($told)->toContain(
        ['buyer.2', 'Buyer 2', 'José Nguyễn-Ortiz', true],
        ['buyer.3', 'Buyer 3', 'Bo Lund', true],
        ['seller.1', 'Seller 1', 'Beatrix Palomar', true],
        ['price', 'Price', '412,500', false],
    )->and(array_column($told, 0))->not->toContain('buyer.1', 'earnest_money', 'buyer.4')
        ->and(array_unique(array_column($told, 0)))->toHaveCount(count($told));
    $seller = array_values(array_filter($terms, static fn (ReadTerms $one) => $one->name === 'seller.1'))[0];
    $blank = array_values(array_filter($form->blanks, static fn ($one) => $one->binding === 'sellers.names'))[0];
    expect($seller->page)->toBe([1 => 4, 2 => 5][$blank->page] ?? null)->and($seller->place)->toEqual($blank->place);
});

it('masks what only few may read', function (string $value, string $mask) {
    expect(PrivateEntry::masked($value))->toBe($mask);
})->with([
    ['123-45-6789', '•••••6789'],
    ['1234 5678', '•••••5678'],
    ['1234567', '•••••'],
    ['123 4567', '•••••'],
    ['', '•••••'],
    ['ÄÖÜß-ÄÖÜß', '•••••ÄÖÜß'],
]);

it('gives a working copy only to a named agent of another side, of papers there are, for a while', function () {
    $today = LocalDate::of('2026-11-27');
    $go = static fn (
        Representation $we = Representation::Buyer,
        DealKind $kind = DealKind::Sale,
        string $agent = 'Lucian Ferro',
        array $papers = [['Offer', PaperState::Draft]],
        string $last = '2026-12-04',
    ) => WorkingCopyRules::mustGo($we, $kind, $agent, $papers, LocalDate::of($last), $today);
    expect($go())->toBe(Side::Seller)
        ->and($go(Representation::Seller))->toBe(Side::Buyer)
        ->and($go(last: '2026-11-27'))->toBe(Side::Seller)
        ->and($go(last: $today->plusDays(180)->iso()))->toBe(Side::Seller)
        ->and(fn () => $go(last: $today->plusDays(181)->iso()))->toBeRefused(SigningRefusal::CopyOpenTooLong)
        ->and(fn () => $go(last: '2026-11-26'))->toBeRefused(SigningRefusal::CopyEndsInThePast)
        ->and(fn () => $go(Representation::Both))->toBeRefused(SigningRefusal::NoOtherSide)
        ->and(fn () => $go(kind: DealKind::Referral))->toBeRefused(SigningRefusal::NoOtherSide)
        ->and(fn () => $go(agent: '  '))->toBeRefused(SigningRefusal::NoAgentNamed)
        ->and(fn () => $go(papers: []))->toBeRefused(SigningRefusal::NoPapers)
        ->and(fn () => $go(papers: [['Offer', PaperState::Draft], ['Report', PaperState::Expected]]))
        ->toBeRefused(PaperRefusal::NothingToCopy);
});

it('knows what a fill request takes, and what it says of itself', function () {
    [$day, $next] = [LocalDate::of('2026-11-27'), LocalDate::of('2026-11-28')];
    expect(FillStatus::Out->takes($day, $day))->toBeTrue()
        ->and(FillStatus::Out->takes($day, $next))->toBeFalse()
        ->and(FillStatus::Finished->takes($next, $day))->toBeFalse()
        ->and(FillStatus::Out->takeBack('José'))->toBe(FillStatus::TakenBack)
        ->and(fn () => FillStatus::TakenBack->takeBack('José'))->toBeRefused(FillRefusal::AlreadyFinished)
        ->and(fn () => FillStatus::Out->mustBeFinished('José'))->toBeRefused(FillRefusal::NotFinished)
        ->and(fn () => FillStatus::mustBeAhead($day, $next))->toBeRefused(FillRefusal::LastDayPassed)
        ->and(FillStatus::Out->label($day, $day))->toBe('out')
        ->and(FillStatus::Out->label($day, $next))->toBe('past its last day')
        ->and(FillStatus::Finished->label($day, $next))->toBe('finished')
        ->and(FillStatus::TakenBack->label($day, $next))->toBe('withdrawn')
        ->and(array_map(static fn (Afterwards $one) => $one->label() !== '', Afterwards::cases()))->toBe([true, true, true]);
    FillStatus::Finished->mustBeFinished('José');
    FillStatus::mustBeAhead($day, $day);
});
