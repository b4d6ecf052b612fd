<?php

declare(strict_types=1);

use Unanimus\Commission\AgentYear;
use Unanimus\Commission\Reckoning;
use Unanimus\Commission\ReckoningRefused;
use Unanimus\Commission\YearAnew;
use Unanimus\Dates\LocalDate;

/** @param  array<string, mixed>  $agents @param  list<array<string, mixed>>  $sides @return array<string, mixed> */
function reckon(array $agents, array $sides, string $closing = '2026-11-28'): array
{
    return Reckoning::of(['closing' => $closing, 'agents' => $agents, 'sides' => $sides]);
}

function percentOf(string $price, string $percent): array
{
    return ['price' => $price, 'lines' => [['kind' => 'percent', 'percent' => $percent]]];
}

const BY_AGENT = ['label' => 'Transaction fee', 'amount' => '395', 'payer' => 'agent', 'payee' => 'company'];

const COUNTING = [[...BY_AGENT, 'countsToCap' => true]];

it('reckons the worked examples to the cent', function (array $agents, array $sides, array $paid, string $closing = '2026-11-28') {
    $sheet = reckon($agents, $sides, $closing);
    expect(array_filter($sheet['payees'], static fn (string $amount) => $amount !== '0.00'))->toEqual($paid)
        ->and($sheet['release'])->toBeTrue();
})->with([
    'one' => [
        ['A' => ['plan' => ['rate' => '70']]],
        [[
            'price' => '487,350',
            'lines' => [
                ['kind' => 'first', 'percent' => '6', 'of' => '100000'],
                ['kind' => 'balance', 'percent' => '2.5'],
                ['kind' => 'flat', 'amount' => '250'],
            ],
            'credits' => [['amount' => '1000']],
            'referralsOut' => [['percent' => '25', 'of' => 'gross_less_credits']],
            'agents' => [['id' => 'A']],
            'fees' => [BY_AGENT],
        ]],
        ['A' => '7445.22', 'company' => '3755.09', 'referral' => '3733.44', 'client' => '1000.00'],
    ],
    'two' => [
        ['A' => ['plan' => ['rate' => '80', 'cap' => '16000', 'afterCap' => ['amount' => '250']], 'soFar' => ['company' => '14900']]],
        [[
            ...percentOf('412500', '2.75'),
            'franchise' => ['when' => 'before', 'percent' => '6', 'cap' => '3000', 'paid' => '2700'],
            'agents' => [['id' => 'A']],
            'fees' => [BY_AGENT],
        ]],
        ['A' => '9548.75', 'company' => '1495.00', 'franchise' => '300.00'],
    ],
    'three' => [
        ['A' => ['plan' => ['tiers' => [['upTo' => '100000', 'rate' => '60'], ['rate' => '70']]], 'soFar' => ['cn' => '96250.40']]],
        [['lines' => [['kind' => 'flat', 'amount' => '9877.77']], 'agents' => [['id' => 'A']]]],
        ['A' => '6539.48', 'company' => '3338.29'],
    ],
    'four' => [
        [
            'A' => ['plan' => ['rate' => '90']],
            'B' => ['plan' => ['rate' => '75'], 'team' => ['lead' => 'C', 'percent' => '50', 'base' => 'after']],
            'C' => [],
        ],
        [[
            'lines' => [['kind' => 'flat', 'amount' => '10000.01']],
            'agents' => [['id' => 'A', 'share' => '60'], ['id' => 'B', 'share' => '40']],
            'fees' => [['label' => 'Insurance', 'percent' => '0.5', 'base' => 'before', 'maximum' => '25']],
        ]],
        ['A' => '5375.01', 'B' => '1480.00', 'C' => '1500.00', 'company' => '1645.00'],
    ],
    'five' => [
        ['L' => ['plan' => ['rate' => '70']], 'B' => ['plan' => ['rate' => '80']]],
        [
            [
                'side' => 'buyer',
                ...percentOf('283500', '2.5'),
                'agents' => [['id' => 'B']],
                'bonuses' => [['amount' => '1500', 'through' => 'straight', 'to' => 'B']],
            ],
            [
                'side' => 'listing',
                ...percentOf('283500', '3'),
                'reducedRate' => '2.5',
                'agents' => [['id' => 'L']],
                'fees' => [['label' => 'Fee', 'amount' => '395', 'payer' => 'client', 'payee' => 'company']],
            ],
        ],
        ['L' => '4961.25', 'B' => '7170.00', 'company' => '3938.75'],
    ],
    'six' => [
        ['A' => [
            'plan' => ['rate' => '95', 'minimum' => '250', 'cap' => '10000', 'year' => '03-01'],
            'soFar' => ['2026-03-01' => ['company' => '4000'], '2027-03-01' => ['company' => '10000']],
            'debts' => [['label' => 'advance', 'amount' => '1600']],
        ]],
        [[
            ...percentOf('18000', '6'),
            'minimum' => '2500',
            'referralsOut' => [['amount' => '500']],
            'agents' => [['id' => 'A']],
            'fees' => [BY_AGENT],
            'franchise' => ['when' => 'after', 'percent' => '5', 'by' => 'company'],
        ]],
        ['company' => '1875.00', 'franchise' => '125.00', 'referral' => '500.00'],
        '2027-02-28',
    ],
    'seven' => [
        ['A' => [
            'plan' => ['rate' => '80', 'cap' => '10000', 'afterCap' => ['amount' => '250']],
            'soFar' => ['company' => '8600'],
            'debts' => [['amount' => '300']],
        ]],
        [
            ['side' => 'listing', ...percentOf('310000', '2.5'), 'agents' => [['id' => 'A']], 'fees' => COUNTING],
            ['side' => 'buyer', ...percentOf('310000', '2'), 'agents' => [['id' => 'A']], 'fees' => COUNTING],
        ],
        ['A' => '12000.00', 'company' => '1950.00'],
    ],
    'eight' => [
        [
            'A' => [
                'plan' => ['tiersBy' => 'company', 'tiers' => [['upTo' => '8000', 'rate' => '65'], ['rate' => '82.5']]],
                'soFar' => ['company' => '7000'],
            ],
            'B' => ['plan' => ['rate' => '70'], 'team' => ['lead' => 'C', 'percent' => '10', 'base' => 'before']],
            'C' => [],
        ],
        [[
            ...percentOf('333333', '2.5'),
            'bonuses' => [['amount' => '1000', 'through' => 'split']],
            'referralsOut' => [['percent' => '20', 'of' => 'gross']],
            'agents' => [['id' => 'A', 'share' => '60'], ['id' => 'B', 'share' => '40']],
            'fees' => [
                [...BY_AGENT, 'amount' => '295'],
                ['label' => 'Charity', 'percent' => '1', 'base' => 'after', 'payee' => 'fund'],
            ],
            'franchise' => ['when' => 'after', 'percent' => '5', 'by' => 'agents'],
        ]],
        [
            'A' => '2589.04', 'B' => '1289.41', 'C' => '298.67', 'company' => '2770.00', 'franchise' => '466.67', 'fund' => '52.87',
            'referral' => '1866.67',
        ],
    ],
]);

it('tells what counts in the year after it, and what is still owed', function () {
    $six = reckon(
        ['A' => ['plan' => ['rate' => '95', 'minimum' => '250'], 'debts' => [['label' => 'advance', 'amount' => '1600']]]],
        [['lines' => [['kind' => 'flat', 'amount' => '2000']], 'agents' => [['id' => 'A']], 'fees' => [BY_AGENT]]],
    );
    expect($six['accumulators'])->toBe([
        'A' => ['cn' => '2000.00', 'company' => '250.00', 'afterCap' => '0.00', 'debts' => [['label' => 'advance', 'left' => '245.00']]],
    ]);
});

it('holds what may not be released, and says why', function (array $agents, array $side, string $why) {
    $sheet = reckon($agents, [$side]);
    expect($sheet['release'])->toBeFalse()->and(implode(' ', $sheet['sides'][0]['held']))->toContain($why);
})->with([
    'an open fee' => [
        ['A' => ['plan' => ['rate' => '70']]],
        [...percentOf('100000', '1'), 'agents' => [['id' => 'A']], 'fees' => [['label' => 'Title', 'open' => true]]],
        '“Title” is open.',
    ],
    'shares that are not all' => [
        ['A' => ['plan' => ['rate' => '70']], 'B' => ['plan' => ['rate' => '70']]],
        [...percentOf('100000', '1'), 'agents' => [['id' => 'A', 'share' => '60'], ['id' => 'B', 'share' => '30']]],
        'The shares are 90 percent, not 100.',
    ],
    'less than nothing' => [
        ['A' => ['plan' => ['rate' => '95', 'minimum' => '5000']]],
        [...percentOf('100000', '1'), 'agents' => [['id' => 'A']]],
        'A would be paid -4000.00.',
    ],
]);

it('refuses what it cannot read, in words', function (array $given, string $told) {
    expect(fn () => Reckoning::of($given))->toThrow(ReckoningRefused::class, $told);
})->with([
    'no plan' => [['closing' => '2026-11-28', 'agents' => ['A' => []], 'sides' => [[...percentOf('1', '1'), 'agents' => [['id' => 'A']]]]],
        'A has no plan and no rate.'],
    'a last tier that ends' => [
        ['closing' => '2026-11-28', 'agents' => ['A' => ['plan' => ['tiers' => [['upTo' => '5', 'rate' => '70']]]]], 'sides' => [[]]],
        'The last tier of A ends somewhere',
    ],
    [[], 'The day of closing is missing'],
    [['closing' => '2026-11-28'], 'There is no side to reckon.'],
    [['closing' => '2026-11-28', 'sides' => [['price' => '1.005']]], 'The price is no amount'],
    [['closing' => '2026-11-28', 'sides' => [['lines' => [['kind' => 'percent', 'percent' => '101']]]]], 'between 0 and 100'],
    [['closing' => '2026-11-28', 'sides' => [['lines' => [['kind' => 'percent', 'percent' => '1.0000001']]]]], 'six decimal places'],
    [['closing' => '2026-11-28', 'sides' => [['lines' => [['kind' => 'guess', 'percent' => '1']]]]], '“guess” is no kind of line.'],
    [['closing' => '2026-11-28', 'sides' => [['agents' => [['id' => 'Z']]]]], 'Nothing is said of the agent “Z”.'],
    [
        [
            'closing' => '2026-11-28',
            'sides' => [['fees' => [['label' => 'F', 'amount' => '1', 'payer' => 'company', 'payee' => 'company']]]],
        ],
        'from the company to the company',
    ],
]);

it('begins a plan year on its day', function (string $year, string $day, string $begins) {
    expect(AgentYear::begins($year, LocalDate::of($day))->iso())->toBe($begins);
})->with([
    ['calendar', '2026-01-01', '2026-01-01'],
    ['calendar', '2026-12-31', '2026-01-01'],
    ['03-01', '2026-02-28', '2025-03-01'],
    ['03-01', '2026-03-01', '2026-03-01'],
    ['02-29', '2026-02-28', '2025-03-01'],
    ['02-29', '2026-03-01', '2026-03-01'],
    ['02-29', '2028-02-29', '2028-02-29'],
]);

it('leaves to the second sheet what the first took of caps', function () {
    $side = static fn (string $side) => [
        'side' => $side,
        ...percentOf('100000', '3'),
        'franchise' => ['when' => 'before', 'percent' => '6', 'cap' => '1000', 'paid' => '700'],
        'agents' => [['id' => 'A']],
        'fees' => [['label' => 'Insurance', 'amount' => '200', 'yearlyCap' => '500', 'paid' => ['A' => '250']]],
    ];
    $both = reckon(['A' => ['plan' => ['rate' => '100']]], [$side('buyer'), $side('listing')]);
    expect(array_column($both['sides'], 'side'))->toBe(['listing', 'buyer'])
        ->and(array_column($both['sides'], 'franchise'))->toBe(['180.00', '120.00'])
        ->and($both['caps'])->toBe(['franchise' => ['A' => '300.00'], 'fees' => ['A: Insurance' => '250.00']])
        ->and($both['payees']['company'])->toBe('250.00');
});

it('ties out to the cent, whatever the deal', function () {
    mt_srand(20261128);
    $cents = static fn (int $least, int $most) => (string) (mt_rand($least, $most) / 100);
    $either = static fn (string $one, string $other) => mt_rand(0, 1) ? $one : $other;
    for ($run = 0; $run < 3000; $run++) {
        $share = mt_rand(1, 99);
        $agents = [];
        foreach (['A', 'B'] as $id) {
            $agents[$id] = [
                'plan' => [
                    'tiersBy' => mt_rand(0, 1) ? 'cn' : 'company',
                    'tiers' => [
                        ['upTo' => $cents(100, 5_000_000), 'rate' => mt_rand(40, 99)],
                        ['rate' => (string) (mt_rand(400, 1000) / 10)],
                    ],
                    ...mt_rand(0, 1) ? ['cap' => $cents(0, 2_000_000), 'afterCap' => ['percent' => '1.5', 'cap' => '300']] : [],
                    ...mt_rand(0, 3) ? [] : ['minimum' => $cents(0, 100_000)],
                ],
                'soFar' => ['cn' => $cents(0, 5_000_000), 'company' => $cents(0, 2_000_000)],
                ...mt_rand(0, 2) ? [] : ['team' => ['lead' => 'C', 'percent' => mt_rand(1, 60), 'base' => $either('before', 'after')]],
                ...mt_rand(0, 2) ? [] : ['debts' => [['amount' => $cents(1, 900_000)]]],
            ];
        }
        $side = [
            'price' => $cents(1_000_000, 90_000_000),
            'lines' => [
                ['kind' => 'first', 'percent' => '6', 'of' => '100000'],
                ['kind' => 'balance', 'percent' => (string) (mt_rand(1, 40) / 10)],
            ],
            'credits' => [['amount' => $cents(0, 100_000)]],
            'referralsOut' => [['percent' => mt_rand(0, 35), 'of' => mt_rand(0, 1) ? 'gross' : 'gross_less_credits']],
            'franchise' => ['when' => $either('before', 'after'), 'percent' => '5.25', 'by' => $either('agents', 'company')],
            'bonuses' => [['amount' => $cents(0, 200_000), 'through' => mt_rand(0, 1) ? 'split' : 'straight', 'to' => 'B']],
            'agents' => [['id' => 'A', 'share' => $share], ['id' => 'B', 'share' => 100 - $share]],
            'fees' => [
                [...BY_AGENT, 'countsToCap' => (bool) mt_rand(0, 1)],
                ['label' => 'E', 'percent' => '0.333333', 'base' => ['gross', 'cn', 'before', 'after'][mt_rand(0, 3)], 'payee' => 'fund'],
                ['label' => 'F', 'amount' => '95.5', 'payer' => 'client'],
            ],
        ];
        $sheet = reckon($agents, [$side])['sides'][0];
        $sum = array_sum(array_map(static fn (string $amount) => (int) str_replace('.', '', $amount), $sheet['payees']));
        expect($sum)->toBe((int) str_replace('.', '', $sheet['in']))
            ->and(implode(' ', $sheet['held']))->not->toContain('is not what comes in');
    }
});

it('reckons a year anew in order, and tells which sheets would be others', function () {
    $sheet = static fn (string $closing, string $price, string $soFar): array => [
        'closing' => $closing,
        'agents' => ['A' => [
            'plan' => ['rate' => '80', 'cap' => '1000'],
            'soFar' => ['cn' => '0', 'company' => $soFar, 'afterCap' => '0'],
        ]],
        'sides' => [[
            'side' => 'one',
            'price' => $price,
            'lines' => [['kind' => 'percent', 'percent' => '2']],
            'agents' => [['id' => 'A', 'share' => '100']],
        ]],
    ];
    // 2 % of 100,000 is 2,000.00, of which the company has 400.00; twice that leaves 200.00 of the cap for the third.
    $sheets = ['one' => $sheet('2026-02-01', '100000', '0'), 'two' => $sheet('2026-03-01', '100000', '400'),
        'three' => $sheet('2026-04-01', '100000', '800')];
    $done = YearAnew::of($sheets);
    expect($done['others'])->toBe([])->and($done['totals']['A']['2026-01-01']['company'])->toBe('1000.00');
    // The first was not authorized after all: the third is another, the second is not.
    unset($sheets['one']);
    expect(YearAnew::of($sheets)['others'])->toBe(['three'])
        ->and(YearAnew::of($sheets, ['A' => ['2026-01-01' => ['cn' => '0', 'company' => '900', 'afterCap' => '0']]])['others'])
        ->toBe(['two', 'three']);
    $sheets['three']['closing'] = '2027-01-02';
    expect(YearAnew::of($sheets)['totals']['A'])->toHaveKeys(['2026-01-01', '2027-01-01']);
});
