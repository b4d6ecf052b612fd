<?php

declare(strict_types=1);

use Unanimus\Dates\LocalDate;
use Unanimus\Roster\CoverPeriod;
use Unanimus\Roster\Credential;
use Unanimus\Roster\FileFate;
use Unanimus\Roster\LeavingPlan;
use Unanimus\Roster\RosterKind;
use Unanimus\Roster\RosterKit;
use Unanimus\Roster\RosterRefusal;

/** A day of December 2026. */
function december(int $day): LocalDate
{
    return LocalDate::ymd(2026, 12, $day);
}

it('names who goes on with a file, and nobody who cannot', function () {
    $plan = new LeavingPlan('L', ['A' => ['fate' => FileFate::Move, 'to' => 'T'], 'B' => ['fate' => FileFate::Finish, 'to' => null]]);
    $plan->decide(FileFate::Freeze, null, []);
    $plan->decide(FileFate::Move, 'T', ['T']);
    expect(fn () => $plan->decide(FileFate::Move, null, ['T']))->toBeRefused(RosterRefusal::NobodyNamed)
        ->and(fn () => $plan->decide(FileFate::Move, '', ['T']))->toBeRefused(RosterRefusal::NobodyNamed)
        ->and(fn () => $plan->decide(FileFate::Move, 'L', ['L', 'T']))->toBeRefused(RosterRefusal::ToThemselves)
        ->and(fn () => $plan->decide(FileFate::Move, 'X', ['T']))->toBeRefused(RosterRefusal::NoAgent)
        ->and($plan->undecided(['A', 'B', 'C', 'D']))->toBe(['C', 'D'])
        ->and($plan->onLastDay('A'))->toBe(['fate' => FileFate::Move, 'to' => 'T'])
        // What was to be finished and is not, and what nobody decided, stays with the office.
        ->and($plan->onLastDay('B')['fate'])->toBe(FileFate::Freeze)
        ->and($plan->onLastDay('C')['fate'])->toBe(FileFate::Freeze);
});

it('closes access once the last day is over, not on it', function () {
    expect(LeavingPlan::isOver(december(31), december(30)))->toBeFalse()
        ->and(LeavingPlan::isOver(december(31), december(31)))->toBeFalse()
        ->and(LeavingPlan::isOver(december(31), LocalDate::ymd(2027, 1, 1)))->toBeTrue();
});

it('reminds of what ends 60, 30 and 7 days before and on the day, each once, and what was missed only with the next', function () {
    $end = LocalDate::ymd(2027, 3, 1);
    $on = static fn (int $left, array $sent = []) => Credential::reminder($end, $end->plusDays(-$left), $sent);
    expect($on(61))->toBeNull()->and($on(60))->toBe(60)->and($on(60, [60]))->toBeNull()->and($on(45, [60]))->toBeNull()
        ->and($on(30, [60]))->toBe(30)->and($on(7, [60, 30]))->toBe(7)->and($on(0, [60, 30, 7]))->toBe(0)
        ->and($on(-3, [60, 30, 7, 0]))->toBeNull()
        ->and($on(5))->toBe(7)->and($on(-100))->toBe(0);
});

it('shares files from a day until a day, both included', function () {
    $period = CoverPeriod::of(december(10), december(12), december(1));
    expect($period->runs(december(9)))->toBeFalse()->and($period->runs(december(10)))->toBeTrue()
        ->and($period->runs(december(12)))->toBeTrue()->and($period->runs(december(13)))->toBeFalse()
        ->and(CoverPeriod::of(december(10), null, december(20))->runs(LocalDate::ymd(2030, 1, 1)))->toBeTrue()
        ->and(fn () => CoverPeriod::of(december(10), december(9), december(1)))->toBeRefused(RosterRefusal::EndsBefore)
        ->and(fn () => CoverPeriod::of(december(10), december(12), december(13)))->toBeRefused(RosterRefusal::IsOver);
});

it('has something to do for each who comes and goes, by roles there are', function () {
    foreach (RosterKind::cases() as $kind) {
        expect($kind->documents())->not->toBe([])->and($kind->label())->toBe(ucfirst($kind->value));
        foreach ($kind->steps() as $step) {
            expect(App\Models\Role::tryFrom($step['by']))->not->toBeNull($step['title']);
        }
    }
    foreach ([...FileFate::cases(), ...Credential::cases()] as $one) {
        expect($one->label())->not->toBe('');
    }
});

it('keeps the steps of joining and leaving as an office types them, and comes as usual where nothing readable is kept', function () {
    $step = fn (string $title, string $by = 'broker', string $before = '3') => ['title' => $title, 'by' => $by, 'before' => $before];
    $kit = RosterKit::typed(
        RosterKind::Joining,
        [$step('  Key  cut '), $step(''), $step('Parking', 'administrator', '-5')],
        ['Permit', '', 'Permit'],
    );
    expect($kit->steps)->toBe([
        ['title' => 'Key cut', 'by' => 'broker', 'before' => 3],
        ['title' => 'Parking', 'by' => 'administrator', 'before' => -5],
    ])->and($kit->documents)->toBe(['Permit'])->and($kit->isUsual())->toBeFalse()
        ->and(RosterKit::kept(RosterKind::Joining, $kit->steps, $kit->documents))->toEqual($kit)
        ->and(RosterKit::kept(RosterKind::Leaving, ['x', ['title' => 'a', 'by' => 'wizard', 'before' => 1]], [])->isUsual())->toBeTrue()
        ->and(fn () => RosterKit::typed(RosterKind::Joining, [$step('a', 'wizard')], []))->toBeRefused(RosterRefusal::NoRole)
        ->and(fn () => RosterKit::typed(RosterKind::Joining, [$step('a', 'broker', 'soon')], []))->toBeRefused(RosterRefusal::NoDays)
        ->and(fn () => RosterKit::typed(RosterKind::Joining, [$step('a', 'broker', '999')], []))->toBeRefused(RosterRefusal::NoDays)
        ->and(fn () => RosterKit::typed(RosterKind::Joining, [$step(' ')], ['Permit']))->toBeRefused(RosterRefusal::NoSteps);
});

it('tells our own clients, the other agent, escrow and the lender who works on a file now', function (?string $ours, array $told) {
    $roles = array_filter(
        Unanimus\Parties\PartyRole::cases(),
        static fn ($role) => Unanimus\Roster\Handover::tells($role, $ours === null ? null : Unanimus\Parties\Side::from($ours)),
    );
    expect(array_column($roles, 'value'))->toBe($told);
})->with([
    ['buyer', ['buyer', 'coagent', 'escrow', 'lender']],
    ['seller', ['seller', 'coagent', 'escrow', 'lender']],
    [null, ['buyer', 'seller', 'tenant', 'landlord', 'coagent', 'escrow', 'lender']],
]);
