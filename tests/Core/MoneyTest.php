<?php

declare(strict_types=1);

use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Money\Percent;

it('reads amounts as people type them', function (string $typed, string $kept) {
    expect(Money::parse($typed)->decimal())->toBe($kept);
})->with([
    ['412500', '412500.00'],
    ['$412,500', '412500.00'],
    ['450k', '450000.00'],
    ['1.2m', '1200000.00'],
    ['8 000.50', '8000.50'],
    ['0', '0.00'],
    ['-3.5', '-3.50'],
    ['USD 12', '12.00'],
    ["$1,000\u{A0}", '1000.00'],
]);

it('refuses what is no amount', function (string $typed) {
    Money::parse($typed);
})
    ->with(['', 'abc', '12.345', '1.2.3', '1e5', '12k5', '9999999999999', '--5', '0x10'])
    ->throws(AmountUnreadable::class);

it('reads back what it shows, and what people write besides', function (string $typed, string $kept) {
    expect(Money::parse($typed)->decimal())->toBe($kept);
})->with([
    ['−$395.00', '-395.00'],
    ["\u{2212}\u{00A0}395", '-395.00'],
    ['$−395', '-395.00'],
    ['(500)', '-500.00'],
    ['($1,250.50)', '-1250.50'],
    ['.5', '0.50'],
    ['1,234,567.89', '1234567.89'],
    ['$ 412,500 USD', '412500.00'],
    ['450 k', '450000.00'],
    ['1.25M', '1250000.00'],
    ["412\u{00A0}500", '412500.00'],
    ['12 dollars', '12.00'],
    ['5½', '5.50'],
]);

it('refuses what would be quietly misread, and says what it may mean', function (string $typed, string $told) {
    expect(static fn () => Money::parse($typed))->toThrow(AmountUnreadable::class, $told);
})->with([
    ['450.000,00', 'If you mean 450,000.00'],
    ['450.000', 'If you mean 450,000'],
    ['$1.250', 'If you mean 1,250'],
    ['1,2', 'If you mean 1.2'],
    ['12,34', 'If you mean 12.34'],
    ['12,34,567', 'Use commas for thousands'],
    ['4,12', 'If you mean 4.12'],
    ['1,2345', 'Use commas for thousands'],
    ['1.234.567', 'If you mean 1,234,567'],
    ['12.345', 'If you mean 12,345'],
    ['1234.567', 'fractions of a cent'],
    ['9999999999999', 'too large'],
    ['-(5)', 'could not be read'],
]);

it('reads percentages as people write them', function (string $typed, string $kept) {
    expect(Percent::of($typed)->decimal())->toBe($kept);
})->with([
    ['.5', '0.5'],
    ['1/2%', '0.5'],
    ['2½', '2.5'],
    ['2 1/2 %', '2.5'],
    ['3 percent', '3'],
    ['3 pct', '3'],
    ["96.5\u{00A0}%", '96.5'],
    ['2.123456', '2.123456'],
    ['⅜ %', '0.375'],
]);

it('refuses percentages that have no end or another meaning', fn (string $typed) => Percent::of($typed))
    ->with(['1/3', '96,5', '2⅓', '(5)', '-1%', '1/0'])
    ->throws(AmountUnreadable::class);

it('shows amounts for screens and ledgers', function (int $cents, string $screen, string $ledger) {
    expect((string) Money::cents($cents))
        ->toBe($screen)
        ->and(Money::cents($cents)->ledger())
        ->toBe($ledger);
})->with([
    [0, '$0', '$0.00'],
    [5, '$0.05', '$0.05'],
    [41_250_000, '$412,500', '$412,500.00'],
    [39_806_250, '$398,062.50', '$398,062.50'],
    [-100_000_00, '−$100,000', '−$100,000.00'],
    [1_234_567_89, '$1,234,567.89', '$1,234,567.89'],
]);

it('takes shares to the cent, half up', function (string $amount, string $percent, string $share) {
    expect(Money::of($amount)->share(Percent::of($percent))->decimal())->toBe($share);
})->with([
    ['412500.00', '96.5', '398062.50'],
    ['100.00', '0.005', '0.01'],
    ['0.10', '45', '0.05'],
    ['0.30', '25', '0.08'],
    ['349900.00', '2.75', '9622.25'],
    ['1.00', '100', '1.00'],
    ['1.00', '0', '0.00'],
]);

it('never loses a cent between a share and the rest, whatever the amount', function () {
    mt_srand(7);
    for ($i = 0; $i < 3000; $i++) {
        $amount = Money::cents(mt_rand(0, 900_000_000));
        $percent = Percent::of((string) (mt_rand(0, 1_000_000) / 10_000));
        $share = $amount->share($percent);
        expect($share->plus($amount->minus($share))->cents)
            ->toBe($amount->cents)
            ->and($share->exceeds($amount))
            ->toBeFalse()
            ->and($share->isNegative())
            ->toBeFalse();
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
})
    ->with(['100.1', '-1', 'x', '', '3.1234567', '1000'])
    ->throws(AmountUnreadable::class);

it('shows percentages without trailing zeros', function (string $text, string $shown) {
    expect(Percent::of($text)->decimal())->toBe($shown);
})->with([['96.50', '96.5'], ['100', '100'], ['0', '0'], ['70.0000', '70'], ['2.75 %', '2.75'], ['10', '10']]);
