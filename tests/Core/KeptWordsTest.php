<?php

declare(strict_types=1);

use Unanimus\Review\KeptWords;
use Unanimus\Terms\Facts;

it('says a kept sentence of a deal, and leaves open what is not known', function (string $kept, string $said) {
    $facts = Facts::from(['price' => '412500.00', 'closing' => '2026-12-18']);
    expect(KeptWords::fill($kept, $facts, ['paper' => 'Lead-based paint disclosure']))->toBe($said);
})->with([
    ['Initial every page.', 'Initial every page.'],
    ['The price is {price}.', 'The price is $412,500.'],
    ['It closes {closing}.', 'It closes December 18, 2026.'],
    ['{paper}: sign it.', 'Lead-based paint disclosure: sign it.'],
    ['Loan amount {loan_amount}.', 'Loan amount ____.'],
    ['{Not a field} {', '{Not a field} {'],
]);

it('names the fields that there are none of', function (string $kept, array $unknown) {
    expect(KeptWords::unknown($kept))->toBe($unknown);
})->with([
    ['The price is {price}, says {agent}.', []],
    ['{prise} and {prise}, {closing}', ['prise']],
    ['{Not a field}', ['Not a field']],
]);
