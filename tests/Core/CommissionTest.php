<?php

declare(strict_types=1);

use Unanimus\Commission\CommissionRefusal;
use Unanimus\Commission\CommissionSheet;
use Unanimus\Commission\Entered;
use Unanimus\Commission\Proposed;
use Unanimus\Commission\Release;
use Unanimus\Money\Money;
use Unanimus\Parties\Side;
use Unanimus\Review\Completeness;
use Unanimus\Review\ReviewState;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Term;

it('proposes the rate the terms have for that side, and the standing fees together', function (?Side $side, ?string $rate) {
    $facts = Facts::from(['buyer_commission' => '2.5', 'listing_commission' => '2.75']);
    $proposed = Proposed::of($facts, $side, [
        ['label' => 'Transaction fee', 'amount' => '395.00'],
        ['label' => 'Transaction fee', 'amount' => '5.50'],
        ['label' => 'Archive fee', 'amount' => '20.00'],
        ['label' => 'Left open', 'amount' => null],
    ]);
    expect($proposed->rate)
        ->toBe($rate)
        ->and($proposed->fee)
        ->toBe('420.50')
        ->and($proposed->feeName)
        ->toBe('Transaction fee and Archive fee')
        ->and($proposed->rateFrom)
        ->toBe($rate === null ? null : ($rate === '2.5' ? 'Commission, buyer side' : 'Commission, listing side'));
})->with([[Side::Buyer, '2.5'], [Side::Tenant, '2.5'], [Side::Seller, '2.75'], [Side::Landlord, '2.75'], [null, null]]);

it('proposes nothing where nothing is known, and shortens a long name of fees', function () {
    $none = Proposed::of(Facts::from([]), Side::Buyer, [['label' => 'Left open', 'amount' => null]]);
    expect([$none->rate, $none->rateFrom, $none->fee, $none->feeName])->toBe([null, null, null, '']);
    $long = Proposed::of(Facts::from([]), Side::Buyer, [['label' => str_repeat('a', 60), 'amount' => '1.00']]);
    expect($long->feeName)->toBe(str_repeat('a', 60));
    $longer = Proposed::of(Facts::from([]), Side::Buyer, [['label' => str_repeat('a', 61), 'amount' => '1.00']]);
    expect($longer->feeName)->toBe(str_repeat('a', 59).'…');
});

it('shows each step of a commission in its order, with its formula', function () {
    $sheet = oneSheet('412500.00', '2.75', '70', '395.00');
    expect(array_map(fn ($step) => "{$step->label}: {$step->formula} = {$step->amount}", $sheet->steps))->toBe([
        'Commission: $412,500 × 2.75% = $11,343.75',
        'Gross: all of it = $11,343.75',
        'Commissionable net: gross less what goes off the top = $11,343.75',
        'Tomás Reyes-Whitlock by the plan: $11,343.75 × 70% = $7,940.63',
        'Company from Tomás Reyes-Whitlock: $11,343.75 less $7,940.63 = $3,403.12',
        'Fee, Tomás Reyes-Whitlock: flat = $395',
    ]);
    expect(array_map(fn ($payee) => "{$payee->name}, {$payee->role}: {$payee->formula} = {$payee->amount}", $sheet->payees))->toBe([
        'Tomás Reyes-Whitlock, agent: $7,940.63 − $395 = $7,545.63',
        'Quillmark Realty, company: $3,403.12 + $395 = $3,798.12',
    ])->and($sheet->counts['agent:T']['cn']->decimal())->toBe('11343.75')
        ->and($sheet->counts['agent:T']['company']->decimal())->toBe('3403.12');
});

it('holds a sheet on which somebody would owe, one with an open fee, and releases no disbursement of nothing', function () {
    $whole = Completeness::of([ReviewState::Accepted]);
    expect(oneSheet('412500.00', '2.75', '70', '7940.63')->held)->toBe([])
        ->and(oneSheet('412500.00', '2.75', '70', '7940.64')->held)->toBe(['Tomás Reyes-Whitlock would be paid −$0.01.'])
        ->and(fn () => Release::check($whole, oneSheet('412500.00', '2.75', '70', '9000'), true))->toBeRefused(CommissionRefusal::Held)
        ->and(oneSheet('412500.00', '2.75', '70', '0', ['fees' => [['label' => 'Staging', 'amount' => '']]])->held)
        ->toBe(['“Staging” is open.']);
    expect(fn () => Release::check($whole, oneSheet('0.00', '2.75', '70', '0'), true))->toBeRefused(CommissionRefusal::DoesNotAddUp);
    Release::check($whole, oneSheet('412500.00', '2.75', '70', '395.00'), true);
});

it('takes every line that is entered, each as it was meant', function () {
    $sheet = oneSheet('300000', '3', '80', '100', [
        'base' => 'price_less_concessions', 'flat' => '250', 'bonus' => '1000', 'bonus_through' => 'straight', 'credit' => '500',
        'referral' => '25', 'referral_to' => 'Farrow & Lisle', 'referral_of' => 'gross_less_credits',
        'franchise' => '6', 'franchise_when' => 'before', 'deduction' => '40', 'deduction_label' => 'Courier',
        'fees' => [
            ['label' => 'Archive', 'amount' => '60', 'payer' => 'client'],
            ['label' => 'Sign', 'amount' => '35', 'payee' => 'Signs Inc'],
        ],
    ], ['concessions' => '10000']);
    // 290,000 × 3 % + 250 = 8,950; credit 500; referral 25 % of 8,450 = 2,112.50; franchise 537; courier 40: net 5,760.50.
    $paid = array_column(array_map(static fn ($one) => [$one->name, $one->amount->decimal()], $sheet->payees), 1, 0);
    expect($paid)->toEqual([
        'Tomás Reyes-Whitlock' => '5473.40',
        'Quillmark Realty' => '1352.10',
        'Credit to the client' => '500.00',
        'Farrow & Lisle' => '2112.50',
        'Franchise' => '537.00',
        'Signs Inc' => '35.00',
    ])->and($sheet->tiesOut())->toBeTrue()->and($sheet->gross->decimal())->toBe('10010.00')->and($sheet->held)->toBe([]);
    expect(Entered::read(['rate' => '3'])->kept)->toEqual(['rate' => '3', 'base' => 'price', 'agents' => [], 'splits' => [], 'fees' => []])
        ->and(fn () => Entered::read(['rate' => '3', 'fees' => [['label' => 'X', 'amount' => '1', 'payer' => 'company']]]))
        ->toBeRefused(CommissionRefusal::CompanyToCompany)
        ->and(fn () => Entered::read(['rate' => '3', 'fees' => [['label' => 'X', 'amount' => '-1']]]))
        ->toBeRefused(CommissionRefusal::FeeNegative);
});

it('divides among agents by the shares that were entered, and holds what are not all', function () {
    $given = static fn (string $a, string $b) => Entered::fromArray([
        'rate' => '3', 'base' => 'price', 'agents' => ['agent:A' => $a, 'agent:B' => $b], 'splits' => [], 'fees' => [],
    ])->given(Facts::from([]), '100000', '2026-11-28', [
        'agent:A' => ['plan' => ['rate' => '80']],
        'agent:B' => ['plan' => ['rate' => '50']],
    ]);
    $names = ['agent:A' => ['Ana', 'agent'], 'agent:B' => ['Ben', 'agent'], 'company' => ['Quillmark', 'company']];
    $sheet = CommissionSheet::of(Money::of('100000'), $given('60', '40'), $names);
    expect(array_map(static fn ($one) => "{$one->name} {$one->amount->decimal()}", $sheet->payees))
        ->toBe(['Ana 1440.00', 'Ben 600.00', 'Quillmark 960.00']);
    expect(CommissionSheet::of(Money::of('100000'), $given('60', '30'), $names)->held)->toBe(['The shares are 90 percent, not 100.']);
});

it('puts names for what people go under, not for words that somebody entered', function () {
    $sheet = oneSheet('300000', '3', '80', '0', ['fees' => [
        ['label' => 'Gift to a client, company store', 'amount' => '60', 'payer' => 'client'],
        ['label' => 'Signs', 'amount' => '35', 'payer' => 'company', 'payee' => 'Signs Inc'],
    ]]);
    $told = array_map(static fn ($step) => "{$step->label} | {$step->formula}", $sheet->steps);
    expect($told)->toContain('Gift to a client, company store | paid by the client')
        ->and(implode("\n", $told))->toContain('Signs, Quillmark Realty |')->not->toContain('Credit to the client');
});

it('says of a rate and a fee on a sheet where they are from', function () {
    $terms = Proposed::of(
        Facts::from(['buyer_commission' => '2.75']),
        Side::Buyer,
        [['label' => 'Transaction fee', 'amount' => '395.00']],
    );
    $none = Proposed::of(Facts::from([]), Side::Buyer, []);
    expect($terms->sourceOfRate('2.750000'))->toBe('from the file’s terms: '.Term::BuyerCommission->label())
        ->and($terms->sourceOfRate('2.5'))->toBe('entered here; the file’s terms say 2.75%')
        ->and($terms->sourceOfRate(''))->toBe('')
        ->and($none->sourceOfRate('2.5'))->toBe('entered here')
        ->and($terms->sourceOfFee('395.00'))->toBe('from the file’s kits')
        ->and($terms->sourceOfFee('400.00'))->toBe('entered here; the file’s kits say $395')
        ->and($terms->sourceOfFee(''))->toBe('')
        ->and($none->sourceOfFee('400.00'))->toBe('entered here');
});
