<?php

declare(strict_types=1);

use Unanimus\Dates\LocalDate;
use Unanimus\Files\ClosingCheck;
use Unanimus\Forms\Amendment;
use Unanimus\Forms\ContractForms;
use Unanimus\Forms\Library;
use Unanimus\Parties\DealKind;
use Unanimus\Terms\Derived;
use Unanimus\Terms\Facts;
use Unanimus\Terms\SameAs;
use Unanimus\Terms\Term;

it('reads “at closing” as possession, and as nothing else', function (string $typed, ?string $kept) {
    expect(SameAs::read(Term::Possession, $typed))->toBe($kept)->and(SameAs::read(Term::Closing, $typed))->toBeNull();
})->with([
    ['at closing', SameAs::CLOSING],
    [' At Closing. ', SameAs::CLOSING],
    ['closing', SameAs::CLOSING],
    ['on the day of closing', SameAs::CLOSING],
    ['upon closing', SameAs::CLOSING],
    ['same as closing date', SameAs::CLOSING],
    ['3 days after closing', null],
    ['at closing plus 3', null],
    ['12/18', null],
    ['', null],
]);

it('puts the day of closing where possession follows it', function () {
    expect(SameAs::follow(['possession' => SameAs::CLOSING, 'closing' => '2026-12-18']))
        ->toBe(['closing' => '2026-12-18', 'possession' => '2026-12-18'])
        ->and(SameAs::follow(['possession' => SameAs::CLOSING]))
        ->toBe([])
        ->and(SameAs::follow(['possession' => '2026-12-20', 'closing' => '2026-12-18']))
        ->toBe(['possession' => '2026-12-20', 'closing' => '2026-12-18'])
        ->and(SameAs::readable(SameAs::CLOSING))
        ->toBe('at closing')
        ->and(SameAs::readable('2026-12-18'))
        ->toBe('2026-12-18');
    $facts = Derived::from(Facts::from(['possession' => SameAs::CLOSING, 'closing' => '2026-12-18']));
    expect($facts->value('possession'))
        ->toBe('2026-12-18')
        ->and(Derived::from(Facts::from(['possession' => SameAs::CLOSING]))->get('possession'))
        ->toBeNull();
});

it('says that possession is before closing', function (string $possession, bool $said) {
    $told = implode(' ', Derived::contradictions(Facts::from(['closing' => '2026-12-18', 'possession' => $possession])));
    expect(str_contains($told, 'Possession is before closing'))->toBe($said);
})->with([['2026-12-17', true], ['2026-12-18', false], ['2026-12-20', false]]);

it('takes from an amendment what is new in it', function () {
    $form = (new Library(dirname(__DIR__, 2).'/library'))->form('M-207');
    $amendment = Amendment::of($form, [
        'old_price' => '400000.00',
        'new_price' => '395500.00',
        'old_closing' => '2026-12-18',
        'new_closing' => '',
        'new_loan' => '2026-12-10',
        'repairs' => 'the porch step',
        'other' => '  ',
    ]);
    expect($amendment->terms)
        ->toBe(['price' => '395500.00'])
        ->and($amendment->deadlines)
        ->toBe(['loan' => '2026-12-10'])
        ->and($amendment->inWords)
        ->toBe(['Repairs'])
        ->and($amendment->changesAnything())
        ->toBeTrue()
        ->and(Amendment::of($form, ['repairs' => 'the porch step'])->changesAnything())
        ->toBeFalse()
        ->and(Amendment::has('M-207'))
        ->toBeTrue()
        ->and(Amendment::has('M-201'))
        ->toBeFalse()
        ->and(Amendment::has(null))
        ->toBeFalse();
});

it('knows which value a new one replaces', function () {
    $form = (new Library(dirname(__DIR__, 2).'/library'))->form('M-207');
    expect(Amendment::replaces($form, 'new_price'))
        ->toBe(['blank' => 'old_price', 'term' => 'price', 'deadline' => null])
        ->and(Amendment::replaces($form, 'new_loan'))
        ->toBe(['blank' => 'old_loan', 'term' => null, 'deadline' => 'loan'])
        ->and(Amendment::replaces($form, 'earnest'))
        ->toBeNull()
        ->and(Amendment::replaces($form, 'old_price'))
        ->toBeNull();
});

it('says what is open before a file is closed', function () {
    $today = LocalDate::of('2026-12-18');
    expect(ClosingCheck::of($today, $today, [], 0))
        ->toBe([])
        ->and(ClosingCheck::of(null, $today, [], 0))
        ->toBe([])
        ->and(ClosingCheck::of($today->plusDays(1), $today, ['Walk-through'], 1))
        ->toBe([
            'Closing is on December 19, 2026, which has not come yet.',
            'One deadline is open: Walk-through.',
            'One paper is not settled.',
        ])
        ->and(ClosingCheck::of($today, $today, ['A', 'B', 'C'], 2))
        ->toBe(['3 deadlines are open: A, B, C.', '2 papers are not settled.'])
        ->and(ClosingCheck::of($today, $today, ['A', 'B', 'C', 'D', 'E'], 0))
        ->toBe(['5 deadlines are open: A, B, C, and 2 more.']);
});

it('knows a contract by what it is called, and waits for the first of each side also while nobody is known to be it', function () {
    $form = (new Library(dirname(__DIR__, 2).'/library'))->form('M-201');
    $contracts = ['Purchase agreement', 'Purchase and sale contract, signed', 'Lease', 'Residential lease'];
    $others = ['Agency agreement', 'Released', 'Amendment to the purchase agreement', 'Please read'];
    expect(array_map(ContractForms::isCalled(...), $contracts))
        ->each->toBeTrue()
        ->and(array_map(ContractForms::isCalled(...), $others))
        ->each->toBeFalse()
        ->and(ContractForms::unsigned($form, DealKind::Sale, ['buyer.1', 'buyer.2', 'agent.1'], ['buyer.1', 'buyer.2', 'agent.1']))
        ->toBe(['seller.1'])
        ->and(ContractForms::unsigned($form, DealKind::Sale, ['buyer.1', 'seller.1', 'seller.2'], ['buyer.1', 'seller.1']))
        ->toBe(['seller.2'])
        ->and(ContractForms::unsigned($form, DealKind::Sale, ['buyer.1', 'seller.1'], ['buyer.1', 'seller.1']))
        ->toBe([])
        // One from outside binds the clients of both sides, known or not.
        ->and(ContractForms::unsigned(null, DealKind::Sale, ['buyer.1', 'buyer.2', 'agent.1'], ['buyer.1', 'agent.1']))
        ->toBe(['seller.1', 'buyer.2'])
        ->and(ContractForms::unsigned(null, DealKind::Lease, ['tenant.1', 'landlord.1'], ['tenant.1', 'landlord.1']))
        ->toBe([]);
});
