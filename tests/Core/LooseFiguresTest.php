<?php

declare(strict_types=1);

use Unanimus\Commission\Reckoning;
use Unanimus\Commission\ReckoningRefused;

/** A side and its agents with figures as another program may give them: numbers for texts, numbers for names. */
function looseFigures(): array
{
    return [
        'closing' => '2026-11-28',
        'agents' => [
            7 => [
                'plan' => ['tiersBy' => 'company', 'tiers' => [['upTo' => 1000, 'rate' => 60], ['rate' => 80]], 'cap' => 5000],
                'soFar' => ['cn' => 2000, 'company' => 800],
                'team' => ['lead' => 21, 'percent' => 10, 'base' => 'before'],
                'debts' => [['label' => 'signs', 'amount' => 120.50], ['label' => 'desk', 'amount' => 0], ['amount' => 1, 'to' => 33]],
            ],
            9 => [
                'plan' => ['rate' => 70, 'cap' => 900, 'afterCap' => ['percent' => 2, 'cap' => 100]],
                'soFar' => ['company' => 900, 'afterCap' => 60],
                'team' => ['lead' => 7, 'percent' => 5],
            ],
        ],
        'sides' => [[
            'side' => 'buyer', 'price' => 400000, 'concessions' => 5000, 'base' => 'price_less_concessions', 'reducedRate' => 2.5,
            'lines' => [['kind' => 'percent', 'percent' => 3, 'label' => 8], ['kind' => 'flat', 'amount' => 125]],
            'bonuses' => [['amount' => 1000], ['amount' => 300, 'through' => 'straight']],
            'credits' => [['amount' => 200], ['amount' => -50, 'to' => 41]],
            'referralsOut' => [['percent' => 25, 'of' => 'gross_less_credits', 'to' => 12]],
            'franchise' => ['when' => 'before', 'percent' => 6, 'cap' => 500, 'capPer' => 'office', 'to' => 13],
            'deductions' => [['amount' => 40, 'to' => 14, 'label' => 15], ['percent' => 0.5]],
            'agents' => ['first' => ['id' => 7, 'share' => 60], 'second' => ['id' => 9, 'share' => 40]],
            'fees' => [
                ['label' => 'Open', 'open' => true],
                ['amount' => 10],
                ['label' => 16, 'amount' => 20, 'agent' => 9, 'payee' => 17],
                ['label' => 'Archive', 'percent' => 0.1, 'base' => 'cn', 'minimum' => 25, 'payer' => 'company', 'payee' => 'vault'],
                ['label' => 'Insurance', 'amount' => 300, 'yearlyCap' => 400, 'paid' => [7 => 150], 'countsToCap' => true],
                ['label' => 'Client fee', 'amount' => 55, 'payer' => 'client'],
            ],
        ]],
    ];
}

it('reckons figures that come as numbers, for people who go by numbers', function () {
    $done = Reckoning::of(looseFigures());
    $side = $done['sides'][0];
    // 395,000 × 2.5 % + 125 + 1,000 = 11,000; less 150, 2,712.50, 500, 40 and 55: 7,542.50, of which 60 % are 4,525.50.
    expect(array_map(static fn (array $step) => "{$step['label']}: {$step['formula']} = {$step['amount']}", $side['steps']))->toBe([
        '8: 395000.00 × 2.5 % (reduced from 3 %) = 9875.00',
        'Commission: flat = 125.00',
        'Bonus: through the split = 1000.00',
        'Gross: all of it = 11000.00',
        'Credit to the client: off the top = 200.00',
        'Credit to the client: off the top = -50.00',
        'Referral: 10850.00 × 25 % = 2712.50',
        'Franchise fee: 11000.00 × 6 %, no more than the cap leaves = 500.00',
        '15: flat = 40.00',
        'Deduction: 11000.00 × 0.5 % = 55.00',
        'Commissionable net: gross less what goes off the top = 7542.50',
        'Share of 7: 7542.50 × 60 % = 4525.50',
        'Share of 9: 7542.50 × 40 % = 3017.00',
        '7 by the plan: 500.00 × 60 % + 4025.50 × 80 % = 3520.40',
        'Company from 7: 4525.50 less 3520.40 = 1005.10',
        '9, capped before: all of the share = 3017.00',
        'Fee after the cap, 9: by agent to company = 40.00',
        'Lead of 7: 4525.50 × 10 % = 452.55',
        'Lead of 9: 3017.00 × 5 % = 150.85',
        'Fee, 7: flat = 10.00',
        'Fee, 9: flat = 10.00',
        '16, 9: flat = 20.00',
        'Archive, company: 7542.50 × 0.1 %, no less than the minimum = 25.00',
        'Insurance, 7: flat, no more than the cap leaves = 250.00',
        'Insurance, 9: flat, no more than the cap leaves = 0.00',
        'Client fee: paid by the client = 55.00',
        'Bonus to 7: straight = 300.00',
        'Signs, 7: taken of what is paid = 120.50',
        'Debt, 7: taken of what is paid = 1.00',
    ])->and($side['payees'])->toBe([
        'company' => '1520.60', 'client' => '200.00', 41 => '-50.00', 12 => '2712.50', 13 => '500.00', 14 => '40.00', 7 => '3137.20',
        9 => '2796.15', 21 => '452.55', 17 => '20.00', 'vault' => '25.00', 33 => '1.00',
    ])->and($side['in'])->toBe('11355.00')
        ->and($side['held'])->toBe(['“Open” is open.', '41 would be paid -50.00.'])
        ->and($done['caps'])->toBe(['franchise' => ['' => '500.00'], 'fees' => ['7: Insurance' => '250.00', '9: Insurance' => '0.00']])
        ->and($done['accumulators'][7])->toBe([
            'cn' => '6525.50', 'company' => '2055.10', 'afterCap' => '0.00',
            'debts' => [
                ['label' => 'signs', 'left' => '0.00'], ['label' => 'desk', 'left' => '0.00'], ['label' => 'debt', 'left' => '0.00'],
            ],
        ])
        ->and($done['accumulators'][9])->toBe(['cn' => '3017.00', 'company' => '900.00', 'afterCap' => '100.00', 'debts' => []]);
});

it('reckons what says nothing but the least', function () {
    $done = Reckoning::of(['closing' => '2026-11-28', 'sides' => [['lines' => [['kind' => 'flat', 'amount' => 700]]]]]);
    expect($done['payees'])->toBe(['company' => '700.00'])->and($done['release'])->toBeTrue();
    $all = looseFigures();
    foreach (['bonuses', 'credits', 'referralsOut', 'franchise', 'deductions', 'fees'] as $part) {
        $all['sides'][0][$part] = null;
    }
    expect(Reckoning::of($all)['sides'][0]['in'])->toBe('10000.00');
});

it('refuses for a list what is none, in words', function (string $part, string $told) {
    $given = looseFigures();
    $given['sides'][0][$part] = 'x';
    expect(fn () => Reckoning::of($given))->toThrow(ReckoningRefused::class, $told);
})->with([
    ['lines', 'The rate of a line is missing.'],
    ['bonuses', 'A bonus is missing.'],
    ['credits', 'A credit is missing.'],
    ['referralsOut', 'A referral is missing.'],
    ['deductions', 'A deduction is missing.'],
    ['agents', 'Nothing is said of the agent “”.'],
    ['fees', '“Fee” is missing.'],
]);

it('refuses a list where a name is meant', function (array $change) {
    expect(fn () => Reckoning::of(array_replace_recursive(looseFigures(), $change)))
        ->toThrow(ReckoningRefused::class, 'A list stands where a name or a word is meant.');
})->with([
    'the day' => [['closing' => ['2026']]],
    'a kind of line' => [['sides' => [['lines' => [['kind' => ['x']]]]]]],
    'a label' => [['sides' => [['fees' => [1 => ['label' => ['x']]]]]]],
    'a payee' => [['sides' => [['credits' => [['to' => ['x']]]]]]],
    'an agent' => [['sides' => [['agents' => ['first' => ['id' => ['x']]]]]]],
    'a lead' => [['agents' => [7 => ['team' => ['lead' => ['x']]]]]],
]);

it('refuses sides that are none', function (mixed $sides) {
    expect(fn () => Reckoning::of(['closing' => '2026-11-28', 'sides' => $sides]))->toThrow(ReckoningRefused::class, 'A side is a list');
})->with(['a word' => 'x', 'a word among them' => [[[], 'x']]]);
