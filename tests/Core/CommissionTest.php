<?php

declare(strict_types=1);

use Unanimus\Commission\CommissionRefusal;
use Unanimus\Commission\CommissionSheet;
use Unanimus\Commission\Entries;
use Unanimus\Commission\Proposed;
use Unanimus\Commission\Release;
use Unanimus\Money\Money;
use Unanimus\Money\Percent;
use Unanimus\Parties\Side;
use Unanimus\Review\Completeness;
use Unanimus\Review\ReviewState;
use Unanimus\Terms\Facts;

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

function sheetOf(string $price, string $fee): CommissionSheet
{
    return CommissionSheet::of(new Entries(
        Money::of($price),
        Percent::of('2.75'),
        Percent::of('70'),
        Money::of($fee),
        'Transaction fee',
        'Tomás Reyes-Whitlock',
        'Quillmark Realty',
    ));
}

it('shows each step of a commission in its order, with its formula', function () {
    $sheet = sheetOf('412500.00', '395.00');
    expect(array_map(fn ($step) => "{$step->label}: {$step->formula} = {$step->amount}", $sheet->steps))->toBe([
        'Price: sale price = $412,500',
        'Gross commission: $412,500 × 2.75% = $11,343.75',
        'Tomás Reyes-Whitlock, share: $11,343.75 × 70% = $7,940.63',
        'Quillmark Realty, share: $11,343.75 − $7,940.63 = $3,403.12',
        'Transaction fee: flat, paid by the agent to the company = $395',
    ]);
    expect(array_map(fn ($payee) => "{$payee->name}, {$payee->role}: {$payee->formula} = {$payee->amount}", $sheet->payees))->toBe([
        'Tomás Reyes-Whitlock, agent: $7,940.63 − $395 = $7,545.63',
        'Quillmark Realty, company: $3,403.12 + $395 = $3,798.12',
    ]);
});

it('takes a fee as large as the agent’s share and no larger, and does not release a disbursement of nothing', function () {
    expect(sheetOf('412500.00', '7940.63')->payees[0]->amount->isZero())
        ->toBeTrue()
        ->and(fn () => sheetOf('412500.00', '7940.64'))
        ->toBeRefused(CommissionRefusal::FeeTooLarge)
        ->and(fn () => sheetOf('412500.00', '-1.00'))
        ->toBeRefused(CommissionRefusal::FeeNegative);
    $whole = Completeness::of([ReviewState::Accepted]);
    expect(fn () => Release::check($whole, sheetOf('0.00', '0.00'), true))->toBeRefused(CommissionRefusal::DoesNotAddUp);
    Release::check($whole, sheetOf('412500.00', '395.00'), true);
});
