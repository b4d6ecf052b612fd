<?php

declare(strict_types=1);

use Unanimus\Commission\CommissionSheet;
use Unanimus\Commission\Entered;
use Unanimus\Commission\Payee;
use Unanimus\Commission\Reckoning;
use Unanimus\Commission\Step;
use Unanimus\Commission\YearAnew;
use Unanimus\Money\Money;
use Unanimus\Terms\Facts;

/** @return array<string, array{array<string, mixed>}> cases of a file beside this one, by what they are about */
function inFull(string $file): array
{
    $cases = json_decode((string) file_get_contents(__DIR__."/{$file}-in-full.json"), true, 64, JSON_THROW_ON_ERROR);

    return array_combine(array_column($cases, 'name'), array_map(static fn (array $case) => [$case], $cases));
}

it('prints every step of a sheet as it was read aloud and agreed to: labels, formulas, inputs, totals after', function (array $case) {
    expect(Reckoning::of($case['given']))->toEqual($case['printed']);
})->with(inFull('sheets'));

/** @return array<string, mixed> a sheet as plain values */
function sheetInFull(CommissionSheet $sheet): array
{
    $amount = static fn (array $one) => [...$one, 'amount' => $one['amount']->decimal()];

    return [
        'steps' => array_map(static fn (Step $step) => [$step->label, $step->formula, $step->amount->decimal()], $sheet->steps),
        'payees' => array_map(
            static fn (Payee $payee) => [$payee->name, $payee->role, $payee->amount->decimal(), $payee->formula],
            $sheet->payees,
        ),
        'held' => $sheet->held,
        'counts' => array_map(static fn (array $of) => array_map(static fn (Money $one) => $one->decimal(), $of), $sheet->counts),
        'franchise' => array_map(static fn (Money $one) => $one->decimal(), $sheet->franchise),
        'fees' => array_map($amount, $sheet->fees),
        'debts' => array_map($amount, $sheet->debts),
        'gross' => $sheet->gross->decimal(),
        'company' => $sheet->company()->decimal(),
        'paid' => $sheet->paid()->decimal(),
        'ties' => $sheet->tiesOut(),
    ];
}

it('reads a side as people see it, and gives the next one what it leaves', function (array $case) {
    $names = [
        'A' => ['Ana Lund', 'agent'],
        'B' => ['Ben Ode', 'agent'],
        'C' => ['Cy Roe', 'agent'],
        'D' => ['Dee Vo', 'agent'],
        'company' => ['Quillmark Realty', 'company'],
        'client' => ['Credit to the client', 'client'],
        'franchise' => ['The Mark', 'franchise'],
    ];
    $sheet = CommissionSheet::of(Money::of('412500'), $case['given'], $names);
    expect(sheetInFull($sheet))->toBe($case['sheet'])
        ->and($sheet->leaves($case['given']))->toBe($case['leaves'])
        ->and($sheet->isFor(Money::of('412500')))->toBeTrue()
        ->and($sheet->isFor(Money::of('412500.01')))->toBeFalse();
})->with(array_filter(inFull('sheets'), static fn (array $one) => isset($one[0]['sheet'])));

it('counts a year of sheets anew: each from what those before it leave, and tells which would be others', function () {
    $sheet = static fn (string $gross, string $closing, array $more = []) => [
        'closing' => $closing,
        'agents' => ['A' => ['plan' => ['rate' => '80', 'cap' => '3000'], ...$more]],
        'sides' => [['price' => '1', 'lines' => [['kind' => 'flat', 'amount' => $gross]], 'agents' => [['id' => 'A']]]],
    ];
    $done = YearAnew::of([
        'one' => $sheet('10000', '2026-03-01', ['soFar' => ['company' => '0']]),
        // It crossed the cap when it was authorized, and has less left of it now.
        'two' => $sheet('10000', '2026-04-01', ['soFar' => ['company' => '0', 'cn' => '0', 'afterCap' => '0']]),
        'three' => $sheet('5000', '2027-01-02'),
        'four' => $sheet('5000', '2026-05-01', ['yearBegins' => '2026-04-15']),
    ], ['A' => ['2026-01-01' => ['cn' => '500.00', 'company' => '100.00', 'afterCap' => '0.00']]]);
    expect($done['others'])->toBe(['two'])
        ->and($done['totals'])->toBe(['A' => [
            '2026-01-01' => ['cn' => '20500.00', 'company' => '3000.00', 'afterCap' => '0.00'],
            '2027-01-01' => ['cn' => '5000.00', 'company' => '1000.00', 'afterCap' => '0.00'],
            '2026-04-15' => ['cn' => '5000.00', 'company' => '1000.00', 'afterCap' => '0.00'],
        ]])
        ->and(YearAnew::of([]))->toBe(['others' => [], 'totals' => []]);
});

it('keeps what is typed and gives it to the reckoning, down to what nobody typed', function (array $case) {
    $entered = Entered::read($case['typed']);
    $agents = ['a' => ['plan' => ['rate' => '70']], 'b' => ['plan' => ['rate' => '60']]];
    $soFar = ['franchise' => '12.50', 'fees' => ['Insurance' => ['b' => '7.00']]];
    expect($entered->kept)->toBe($case['kept'])
        ->and($entered->given(Facts::from(['concessions' => '2350']), '412500', '2026-12-10', $agents))->toBe($case['given'])
        ->and($entered->side(Facts::from([]), 'listing', '300000', ['a'], $soFar))->toBe($case['side'])
        ->and($entered->flatFee())->toBe($case['flatFee'])
        ->and($entered->otherFees())->toBe($case['otherFees'])
        ->and($entered->lines())->toBe($case['lines'])
        ->and($entered->franchiseOf('a'))->toBe($case['franchiseOf'])
        ->and(Entered::fromArray($entered->kept)->kept)->toBe($case['kept']);
})->with(inFull('entries'));
