<?php

declare(strict_types=1);

use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Money\Percent;

it('reads amounts as people type them', function (string $typed, string $kept) {
    expect(Money::parse($typed)->decimal())->toBe($kept);
})->with([
    ['412500', '412500.00'], ['$412,500', '412500.00'], ['450k', '450000.00'], ['1.2m', '1200000.00'], ['8 000.50', '8000.50'], ['0', '0.00'], ['-3.5', '-3.50'], ['USD 12', '12.00'], ["$1,000\u{A0}", '1000.00'],
]);

it('refuses what is no amount', function (string $typed) {
    Money::parse($typed);
})->with(['', 'abc', '12.345', '1.2.3', '1e5', '12k5', '9999999999999', '--5', '0x10'])->throws(AmountUnreadable::class);

it('shows amounts for screens and ledgers', function (int $cents, string $screen, string $ledger) {
    expect((string) Money::cents($cents))->toBe($screen)->and(Money::cents($cents)->ledger())->toBe($ledger);
})->with([
    [0, '$0', '$0.00'], [5, '$0.05', '$0.05'], [41_250_000, '$412,500', '$412,500.00'], [39_806_250, '$398,062.50', '$398,062.50'], [-100_000_00, '−$100,000', '−$100,000.00'], [1_234_567_89, '$1,234,567.89', '$1,234,567.89'],
]);

it('takes shares to the cent, half up', function (string $amount, string $percent, string $share) {
    expect(Money::of($amount)->share(Percent::of($percent))->decimal())->toBe($share);
})->with([
    ['412500.00', '96.5', '398062.50'], ['100.00', '0.005', '0.01'], ['0.10', '45', '0.05'], ['0.30', '25', '0.08'], ['349900.00', '2.75', '9622.25'], ['1.00', '100', '1.00'], ['1.00', '0', '0.00'],
]);

it('never loses a cent between a share and the rest, whatever the amount', function () {
    mt_srand(7);
    for ($i = 0; $i < 3000; $i++) {
        $amount = Money::cents(mt_rand(0, 900_000_000));
        $percent = Percent::of((string) (mt_rand(0, 1_000_000) / 10_000));
        $share = $amount->share($percent);
        expect($share->plus($amount->minus($share))->cents)->toBe($amount->cents)
            ->and($share->exceeds($amount))->toBeFalse()
            ->and($share->isNegative())->toBeFalse();
    }
});

it('reads its own decimal text back exactly', function () {
    mt_srand(11);
    for ($i = 0; $i < 2000; $i++) {
        $money = Money::cents(mt_rand(-900_000_000_00, 900_000_000_00));
        expect(Money::of($money->decimal())->cents)->toBe($money->cents);
    }
});

it('holds percentages from 0 to 100 only', function (string $text) {
    Percent::of($text);
})->with(['100.1', '-1', 'x', '', '3.12345', '1000'])->throws(AmountUnreadable::class);

it('shows percentages without trailing zeros', function (string $text, string $shown) {
    expect(Percent::of($text)->decimal())->toBe($shown);
})->with([['96.50', '96.5'], ['100', '100'], ['0', '0'], ['70.0000', '70'], ['2.75 %', '2.75'], ['10', '10']]);
