<?php

declare(strict_types=1);

use Unanimus\Dates\LocalDate;
use Unanimus\Files\DealStatus;
use Unanimus\Parties\DealKind;
use Unanimus\Retention\RetentionClock;
use Unanimus\Retention\RetentionRefusal;
use Unanimus\Retention\RetentionRules;
use Unanimus\Retention\RetentionStage;

function day(string $iso): LocalDate
{
    return LocalDate::of($iso);
}

/** The clock of a file that closed on March 1, 2020 and is kept seven years. */
function clockOn(string $today, ?string $announced = null, bool $held = false, ?int $years = 7): RetentionClock
{
    return RetentionClock::of(day('2020-03-01'), $years, $held, $announced === null ? null : day($announced), day($today));
}

it('runs from the day a file ended, gives 60 days of notice and purges nothing without it', function () {
    expect(clockOn('2026-12-30')->stage)->toBe(RetentionStage::Running)
        ->and(clockOn('2026-12-30')->until?->iso())->toBe('2027-03-01')
        ->and(clockOn('2026-12-31')->stage)->toBe(RetentionStage::ToAnnounce)
        ->and(clockOn('2026-12-31')->purgedOn?->iso())->toBe('2027-03-01')
        ->and(clockOn('2027-02-28', '2026-12-31')->stage)->toBe(RetentionStage::Announced)
        ->and(clockOn('2027-03-01', '2026-12-31')->stage)->toBe(RetentionStage::Due)
        // Noticed late, it is announced late: the 60 days are always given.
        ->and(clockOn('2028-01-01')->stage)->toBe(RetentionStage::ToAnnounce)
        ->and(clockOn('2028-01-01')->purgedOn?->iso())->toBe('2028-03-01')
        ->and(clockOn('2028-02-29', '2028-01-01')->stage)->toBe(RetentionStage::Announced)
        ->and(clockOn('2028-03-01', '2028-01-01')->stage)->toBe(RetentionStage::Due);
});

it('stands still while a file is open, held, or no period is set, and takes a notice back when the period grows', function () {
    expect(RetentionClock::of(null, 7, false, null, day('2040-01-01'))->stage)->toBe(RetentionStage::Open)
        ->and(clockOn('2040-01-01', '2026-12-31', held: true)->stage)->toBe(RetentionStage::Held)
        ->and(clockOn('2040-01-01', '2026-12-31', held: true)->purgedOn)->toBeNull()
        ->and(clockOn('2040-01-01', years: null)->stage)->toBe(RetentionStage::NoPeriod)
        ->and(clockOn('2027-04-01', '2026-12-31', years: 10)->stage)->toBe(RetentionStage::Running)
        ->and(clockOn('2030-02-01', '2026-12-31', years: 10)->stage)->toBe(RetentionStage::Announced)
        ->and(clockOn('2030-02-01', '2026-12-31', years: 10)->purgedOn?->iso())->toBe('2030-03-01')
        ->and(RetentionClock::of(day('2024-02-29'), 3, false, null, day('2025-01-01'))->until?->iso())->toBe('2027-02-28');
});

it('never purges before the end and before 60 days of notice, whatever the days', function () {
    mt_srand(7);
    foreach (range(1, 3000) as $ignored) {
        $ended = day('2015-01-01')->plusDays(mt_rand(0, 3000));
        $years = mt_rand(1, 10);
        $announced = mt_rand(0, 3) === 0 ? null : $ended->plusDays(mt_rand(0, 4500));
        $today = $ended->plusDays(mt_rand(0, 6000));
        $clock = RetentionClock::of($ended, $years, false, $announced, $today);
        if ($clock->stage === RetentionStage::Due) {
            expect($announced)->not->toBeNull()
                ->and($announced?->daysUntil($today))->toBeGreaterThanOrEqual(60)
                ->and($today->isBefore($ended->plusMonths(12 * $years)))->toBeFalse();
        }
    }
});

it('says how much of its time is over', function () {
    $clock = clockOn('2023-09-01');
    expect($clock->elapsed(day('2020-03-01'), day('2023-09-01')))->toEqualWithDelta(0.5, 0.01)
        ->and($clock->elapsed(day('2020-03-01'), day('2019-01-01')))->toBe(0.0)
        ->and($clock->elapsed(day('2020-03-01'), day('2040-01-01')))->toBe(1.0)
        ->and(clockOn('2023-09-01', years: null)->elapsed(day('2020-03-01'), day('2023-09-01')))->toBe(0.0);
});

it('takes the more exact entry before the more general one, and none at all keeps for good', function () {
    $rules = RetentionRules::typed(['any-any' => '3', 'any-closed' => '5', 'sale-any' => '6', 'sale-closed' => '7', 'lease-any' => ''],
        ' 30 ');
    expect($rules->yearsFor(DealKind::Sale, DealStatus::Closed))->toBe(7)
        ->and($rules->yearsFor(DealKind::Sale, DealStatus::Terminated))->toBe(6)
        ->and($rules->yearsFor(DealKind::Lease, DealStatus::Closed))->toBe(5)
        ->and($rules->yearsFor(DealKind::Lease, DealStatus::Expired))->toBe(3)
        ->and($rules->placeFor(DealKind::Sale, DealStatus::Closed))->toBe('sale, closed')
        ->and($rules->placeFor(DealKind::Lease, DealStatus::Closed))->toBe('any kind, closed')
        ->and($rules->placeFor(DealKind::Lease, DealStatus::Expired))->toBe('any kind, any ending')
        ->and($rules->archiveAfter)->toBe(30)
        ->and(RetentionRules::of($rules->toArray())->toArray())->toBe($rules->toArray())
        ->and(RetentionRules::of([])->yearsFor(DealKind::Sale, DealStatus::Closed))->toBeNull()
        ->and(RetentionRules::of([])->placeFor(DealKind::Sale, DealStatus::Closed))->toBeNull()
        ->and(RetentionRules::of(['years' => ['sale-closed' => 0, 'lease-any' => 'x', 'boat-any' => 3], 'archive after' => -1])->toArray())
        ->toBe(['years' => [], 'archive after' => null]);
});

it('refuses numbers that are none', function (array $years, string $archive, RetentionRefusal $why) {
    expect(fn () => RetentionRules::typed($years, $archive))->toBeRefused($why);
})->with([
    [['sale-closed' => '0'], '', RetentionRefusal::NoYears],
    [['sale-closed' => '100'], '', RetentionRefusal::NoYears],
    [['any-any' => 'seven'], '', RetentionRefusal::NoYears],
    [['any-any' => '-3'], '', RetentionRefusal::NoYears],
    [[], '9999', RetentionRefusal::NoDays],
    [[], 'soon', RetentionRefusal::NoDays],
]);
