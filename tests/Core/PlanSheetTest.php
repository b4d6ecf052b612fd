<?php

declare(strict_types=1);

use Unanimus\Commission\AgentYear;
use Unanimus\Commission\CommissionRefusal;
use Unanimus\Commission\PlanEntered;
use Unanimus\Commission\PlanSheet;
use Unanimus\Commission\ReckoningRefused;
use Unanimus\Dates\LocalDate;
use Unanimus\Exchange\SheetUnreadable;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Steps\StepRefused;

/** @return list<array<string, mixed>> */
function planRows(string $csv): array
{
    return array_map(static fn (array $row) => [
        ...$row,
        'from' => $row['from']?->iso(),
        'opening' => array_map(static fn (Money $one) => $one->decimal(), $row['opening']),
    ], PlanSheet::read($csv, LocalDate::of('2026-11-29')));
}

function planYear(array $given, string $closing = '2026-06-01'): AgentYear
{
    return AgentYear::of('suki', $given, LocalDate::of($closing));
}

it('reads a plan of every part out of a row, whatever the headings look like', function () {
    $csv = 'EMAIL,name,in-force from,Plan year begins,rate 1,Up to 1,Rate 2,Thresholds of,Cap,Minimum,Fee after cap,Cap of that fee,'.
        "Team lead email,Lead percent,Lead of,Counted net,Counted company,Counted after cap\n".
        'Suki@Fern.example,Suki Arendt, 1/1/2026 ,03-01,70,"100,000",80,company,18000,395,2%,3000,BRAM@fern.example,10,before,'.
        "'5000.10,1000,7\n\n,,\n";
    expect(planRows($csv))->toBe([[
        'line' => 2,
        'email' => 'suki@fern.example',
        'lead' => 'bram@fern.example',
        'from' => '2026-01-01',
        'plan' => [
            'tiers' => [['rate' => '70', 'upTo' => '100000.00'], ['rate' => '80']],
            'tiersBy' => 'company',
            'cap' => '18000.00',
            'minimum' => '395.00',
            'afterCap' => ['percent' => '2', 'cap' => '3000.00'],
            'team' => ['lead' => 'BRAM@fern.example', 'percent' => '10', 'base' => 'before'],
            'year' => '03-01',
        ],
        'opening' => ['cn' => '5000.10', 'company' => '1000.00', 'afterCap' => '7.00'],
        'refused' => '',
    ]]);
});

it('reads the least there is to say', function () {
    expect(planRows("Email,In force from,Rate 1\na@b.example,2026-02-03,70"))->toBe([[
        'line' => 2, 'email' => 'a@b.example', 'lead' => '', 'from' => '2026-02-03', 'plan' => ['rate' => '70', 'year' => 'calendar'],
        'opening' => ['cn' => '0.00', 'company' => '0.00', 'afterCap' => '0.00'], 'refused' => '',
    ]]);
});

it('takes the first of two columns of one name, and knows a row by its line', function () {
    $rows = planRows("Email,Email,In force from,Rate 1\na@b.example,c@d.example,1/2/2026,70\nx@b.example,,1/2/2026,60");
    expect(array_column($rows, 'email'))->toBe(['a@b.example', 'x@b.example'])->and(array_column($rows, 'line'))->toBe([2, 3]);
});

it('says why a row cannot be taken, and keeps what it could read', function (string $row, string $why, ?string $from) {
    [$read] = planRows("Email,In force from,Rate 1,Up to 1,Rate 2,Cap,Counted net,Team lead email\n{$row}");
    expect($read['refused'])->toContain($why)->and($read['from'])->toBe($from)->and($read['line'])->toBe(2);
})->with([
    'no address' => [',1/2/2026,70,,,,,', 'There is no email address.', null],
    'no day' => ['a@b.example,,70,,,,,', 'There is no day from which', null],
    'no date' => ['a@b.example,soon,70,,,,,', 'soon', null],
    'no rate' => ['a@b.example,1/2/2026,,,,,,', '', '2026-01-02'],
    'no amount' => ['a@b.example,1/2/2026,70,,,much,,', 'much', '2026-01-02'],
    'no total' => ['a@b.example,1/2/2026,70,,,,many,', 'many', '2026-01-02'],
    'a lead without a part' => ['a@b.example,1/2/2026,70,,,,,c@d.example', '', '2026-01-02'],
]);

it('needs a column for the address', function () {
    expect(fn () => planRows("Name,Rate 1\nSuki,70"))->toThrow(SheetUnreadable::class, '“Email”');
});

it('writes a plan so that it is read as it was', function (array $plan, array $opening, string $lead) {
    $cells = PlanSheet::write('suki@fern.example', 'Suki', '2026-01-01', $plan, $opening, $lead);
    expect(array_keys(PlanSheet::COLUMNS))->toHaveCount(count($cells));
    $csv = implode(',', PlanSheet::COLUMNS)."\n".implode(',', $cells);
    $wanted = ['cn' => '0.00', 'company' => '0.00', 'afterCap' => '0.00'];
    [$read] = planRows($csv);
    expect($read['refused'])->toBe('')->and($read['plan'])->toBe($plan + [])
        ->and($read['opening'])->toBe([...$wanted, ...$opening])
        ->and($read['lead'])->toBe($lead)
        ->and($read['email'])->toBe('suki@fern.example')
        ->and($read['from'])->toBe('2026-01-01');
})->with([
    'one rate' => [['rate' => '70', 'year' => 'calendar'], [], ''],
    'three tiers' => [
        [
            'tiers' => [['rate' => '60', 'upTo' => '50000.00'], ['rate' => '70', 'upTo' => '90000.00'], ['rate' => '90']],
            'tiersBy' => 'cn', 'year' => '07-15',
        ],
        ['cn' => '1.00'],
        '',
    ],
    'a fee in dollars' => [
        [
            'tiers' => [['rate' => '60', 'upTo' => '50000.00'], ['rate' => '70']], 'tiersBy' => 'company', 'cap' => '100.00',
            'minimum' => '5.00', 'afterCap' => ['amount' => '250.00'], 'year' => 'calendar',
        ],
        ['company' => '2.00', 'afterCap' => '3.00'],
        '',
    ],
    'a fee in percent, a team' => [
        [
            'rate' => '70.5', 'afterCap' => ['percent' => '1.5', 'cap' => '9.00'],
            'team' => ['lead' => 'bram@fern.example', 'percent' => '10', 'base' => 'after'], 'year' => 'calendar',
        ],
        [],
        'bram@fern.example',
    ],
]);

it('writes what is not said as nothing', function () {
    $cells = array_combine(array_keys(PlanSheet::COLUMNS), PlanSheet::write('a', 'b', 'c', [], [], ''));
    expect(array_filter($cells, fn (string $one) => $one !== ''))
        ->toBe(['email' => 'a', 'name' => 'b', 'from' => 'c', 'year' => 'calendar']);
});

it('refuses a plan that leaves open what happens', function (array $typed, CommissionRefusal $reason) {
    try {
        PlanEntered::read($typed);
        test()->fail('It was taken.');
    } catch (StepRefused $refused) {
        expect($refused->reason)->toBe($reason);
    }
})->with([
    'no rate' => [[], CommissionRefusal::NoRate],
    'a rate of spaces' => [['rate1' => '  '], CommissionRefusal::NoRate],
    'a tier that ends nowhere' => [['rate1' => '60', 'rate2' => '70'], CommissionRefusal::TierWithoutEnd],
    'a third after one that ends nowhere' => [
        ['rate1' => '60', 'to1' => '5', 'rate2' => '70', 'rate3' => '80'], CommissionRefusal::TierWithoutEnd,
    ],
    'a tier below the last' => [
        ['rate1' => '60', 'to1' => '500', 'rate2' => '70', 'to2' => '500', 'rate3' => '80'], CommissionRefusal::TierBelow,
    ],
    'a last tier that ends' => [['rate1' => '60', 'to1' => '500'], CommissionRefusal::LastTierEnds],
    'three that end' => [
        ['rate1' => '60', 'to1' => '500', 'rate2' => '70', 'to2' => '600', 'rate3' => '80', 'to3' => '700'],
        CommissionRefusal::LastTierEnds,
    ],
    'a lead without a part' => [['rate1' => '60', 'team_lead' => 'x'], CommissionRefusal::TeamIncomplete],
    'a part without a lead' => [['rate1' => '60', 'team_percent' => '10'], CommissionRefusal::TeamIncomplete],
    'a year of no day' => [['rate1' => '60', 'year' => '02-30'], CommissionRefusal::NoYear],
    'a year of no month' => [['rate1' => '60', 'year' => '13-01'], CommissionRefusal::NoYear],
    'a year in words' => [['rate1' => '60', 'year' => 'spring'], CommissionRefusal::NoYear],
    'a year and more' => [['rate1' => '60', 'year' => '03-01-2026'], CommissionRefusal::NoYear],
]);

it('says how the tiers of a refusal are counted', function () {
    expect(fn () => PlanEntered::read(['rate1' => '60', 'rate2' => '70']))->toThrow(StepRefused::class, '1')
        ->and(fn () => PlanEntered::read(['rate1' => '60', 'to1' => '9', 'rate2' => '70', 'to2' => '8', 'rate3' => '80']))
        ->toThrow(StepRefused::class, '2');
});

it('reads what was typed, with the usual where nothing is said', function (array $typed, array $plan) {
    expect(PlanEntered::read(['rate1' => '70', ...$typed]))->toBe($plan);
})->with([
    'spaces' => [['rate1' => ' 70 ', 'cap' => ' 5 ', 'year' => ' '], ['rate' => '70', 'cap' => '5.00', 'year' => 'calendar']],
    'a leap day' => [['year' => '02-29'], ['rate' => '70', 'year' => '02-29']],
    'a cap of nothing' => [['cap' => '0', 'minimum' => '0'], ['rate' => '70', 'cap' => '0.00', 'minimum' => '0.00', 'year' => 'calendar']],
    'a cap of a fee without the fee' => [['after_cap_cap' => '5'], ['rate' => '70', 'year' => 'calendar']],
    'thresholds of what they do not know' => [
        ['to1' => '5', 'rate2' => '80', 'tiers_by' => 'moon'],
        ['tiers' => [['rate' => '70', 'upTo' => '5.00'], ['rate' => '80']], 'tiersBy' => 'cn', 'year' => 'calendar'],
    ],
    'a fourth tier is none' => [
        ['to1' => '5', 'rate2' => '80', 'to2' => '6', 'rate3' => '85', 'rate4' => '90'],
        [
            'tiers' => [['rate' => '70', 'upTo' => '5.00'], ['rate' => '80', 'upTo' => '6.00'], ['rate' => '85']],
            'tiersBy' => 'cn', 'year' => 'calendar',
        ],
    ],
    'a team after' => [
        ['team_lead' => 'bram', 'team_percent' => '5'],
        ['rate' => '70', 'team' => ['lead' => 'bram', 'percent' => '5', 'base' => 'after'], 'year' => 'calendar'],
    ],
]);

it('does not take for a number what is none', function (string $field) {
    $typed = ['rate1' => '70', 'to1' => '', 'team_lead' => 'x', 'team_percent' => '1', 'after_cap' => '1', $field => 'many'];
    expect(fn () => PlanEntered::read($typed))
        ->toThrow(AmountUnreadable::class);
})->with(['rate1', 'to1', 'cap', 'minimum', 'after_cap', 'after_cap_cap', 'team_percent']);

it('knows what a plan year holds', function () {
    $year = planYear([
        'plan' => [
            'tiers' => [['upTo' => '1000', 'rate' => '60'], ['rate' => '80']], 'tiersBy' => 'company', 'cap' => '500', 'minimum' => '20',
            'afterCap' => ['amount' => '5'],
        ],
        'team' => ['lead' => 'bram', 'percent' => '10'],
        'soFar' => ['cn' => '900', 'company' => '360', 'afterCap' => '1.50'],
        'debts' => [['amount' => '75'], ['amount' => '8', 'label' => 'desk', 'to' => 'bram']],
    ]);
    expect($year->id)->toBe('suki')
        ->and([$year->cn, $year->company, $year->afterCap])->toBe([90_000, 36_000, 150])
        ->and([$year->tiersBy, $year->cap, $year->minimum])->toBe(['company', 50_000, 2_000])
        ->and($year->feeAfterCap)->toBe(['amount' => '5', 'percent' => null, 'cap' => null])
        ->and($year->team)->toBe(['lead' => 'bram', 'percent' => '10', 'base' => 'after'])
        ->and($year->debts)->toBe([
            ['label' => 'debt', 'amount' => 7_500, 'to' => 'company'],
            ['label' => 'desk', 'amount' => 800, 'to' => 'bram'],
        ])
        ->and($year->leftOfCap())->toBe(14_000)
        ->and(planYear([])->leftOfCap())->toBeNull()
        ->and(planYear([])->tiersBy)->toBe('cn')
        ->and(planYear([])->team)->toBeNull()
        ->and(planYear([])->debts)->toBe([]);
    $year->company = 60_000;
    expect($year->leftOfCap())->toBe(0);
});

it('counts of several plan years the one in which the closing lies', function (string $closing, int $cn) {
    $years = ['2025-03-01' => ['cn' => '10'], '2026-03-01' => ['cn' => '20']];
    expect(planYear(['plan' => ['rate' => '70', 'year' => '03-01'], 'soFar' => $years], $closing)->cn)->toBe($cn);
})->with([['2026-02-28', 1_000], ['2026-03-01', 2_000], ['2027-03-01', 0]]);

it('divides an amount by the tiers, each product rounded', function (array $plan, array $so, int $amount, int $part, string $told) {
    expect(planYear(['plan' => $plan, 'soFar' => $so])->agentPart($amount))->toBe([$part, $told]);
})->with(function () {
    $tiers = fn (string $by, string ...$rates) => [
        'tiers' => [['upTo' => '1000', 'rate' => $rates[0]], ['upTo' => '2000', 'rate' => $rates[1]], ['rate' => $rates[2]]],
        'tiersBy' => $by,
    ];

    return [
        'below the first threshold' => [$tiers('cn', '60', '70', '80'), [], 100_000, 60_000, '1000.00 × 60 %'],
        'a cent above' => [$tiers('cn', '60', '70', '80'), [], 100_001, 60_001, '1000.00 × 60 % + 0.01 × 70 %'],
        'across all' => [
            $tiers('cn', '60', '70', '80'), ['cn' => '500'], 300_000, 30_000 + 70_000 + 120_000,
            '500.00 × 60 % + 1000.00 × 70 % + 1500.00 × 80 %',
        ],
        'beyond the first' => [$tiers('cn', '60', '70', '80'), ['cn' => '1000'], 100, 70, '1.00 × 70 %'],
        'by the company’s total' => [
            $tiers('company', '60', '70', '80'), ['company' => '900'], 100_000, 15_000 + 52_500, '250.00 × 60 % + 750.00 × 70 %',
        ],
        'nothing for the company' => [$tiers('company', '100', '70', '80'), [], 500, 500, '5.00 × 100 %'],
        'nothing to divide' => [$tiers('cn', '60', '70', '80'), [], 0, 0, ''],
    ];
});

it('says what a plan does not', function (array $given, string $why) {
    expect(fn () => planYear($given)->agentPart(100))->toThrow(ReckoningRefused::class, $why);
})->with([
    'a rate' => [[], 'suki has no plan and no rate.'],
    'the last tier' => [['plan' => ['tiers' => [['upTo' => '5', 'rate' => '60']]]], 'last tier of suki'],
    'a cap' => [['plan' => ['rate' => '5', 'cap' => 'x']], 'The cap of suki'],
    'a minimum' => [['plan' => ['rate' => '5', 'minimum' => 'x']], 'The minimum of suki'],
    'a rate that is none' => [['plan' => ['rate' => 'x']], 'The rate of suki'],
    'a threshold' => [['plan' => ['tiers' => [['upTo' => 'x', 'rate' => '5'], ['rate' => '6']]]], 'A threshold of suki'],
    'a debt' => [['debts' => [['label' => 'desk']]], 'A debt of suki'],
    'what came in' => [['soFar' => ['cn' => 'x']], 'What suki brought in so far'],
    'what was paid' => [['soFar' => ['company' => 'x']], 'What suki paid so far'],
    'what was paid later' => [['soFar' => ['afterCap' => 'x']], 'What suki paid after the cap'],
]);
