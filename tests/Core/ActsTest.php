<?php

declare(strict_types=1);

use Unanimus\Dates\LocalDate;
use Unanimus\Signing\Act;
use Unanimus\Signing\EntryFormat;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\MarkTerms;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundState;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Signing\Turn;
use Unanimus\Steps\StepRefused;

/** A buyer who has agreed and chosen a signature, and has these acts before them. */
function before(Act ...$acts): RoundState
{
    $turns = [new Turn('buyer.1', 1, array_values($acts)), Turn::signing('buyer.2', 1, ['theirs'])];
    $events = array_map(
        static fn (EventKind $kind) => new RoundEvent($kind, $kind === EventKind::Sent ? null : 'buyer.1'),
        [EventKind::Sent, EventKind::Opened, EventKind::Consented, EventKind::Adopted],
    );

    return RoundState::fold($turns, $events);
}

function does(RoundState $state, string $mark, ?string $value = null): RoundState
{
    return $state->after(new RoundEvent(EventKind::Marked, 'buyer.1', ['mark' => $mark, ...$value === null ? [] : ['value' => $value]]));
}

function takesBack(RoundState $state, string $mark): RoundState
{
    return $state->after(new RoundEvent(EventKind::Cleared, 'buyer.1', ['mark' => $mark]));
}

it('lets a signer finish without what is optional', function () {
    $state = before(new Act('sign'), new Act('note', false, isEntered: true));
    expect($state->owes('buyer.1'))->toBe(['sign']);
    $done = does($state, 'sign')->after(new RoundEvent(EventKind::Finished, 'buyer.1'));
    expect($done->owes('buyer.1'))->toBe([])->and($done->asked())->toBe(['buyer.2']);
});

it('lets only one of several stand, the last one made, and asks for one of them', function () {
    $state = before(new Act('received', group: 'receipt'), new Act('waived', group: 'receipt'), new Act('sign'));
    expect($state->owes('buyer.1'))->toBe(['received', 'sign']);
    $one = does($state, 'waived');
    expect($one->owes('buyer.1'))->toBe(['sign']);
    $other = does($one, 'received');
    expect($other->made->of('buyer.1'))->toBe(['received'])->and($other->made->stands('waived'))->toBeFalse();
});

it('asks for a place only while what it depends on stands', function () {
    $state = before(new Act('box', false, isEntered: true), new Act('amount', true, when: 'box', isEntered: true), new Act('sign'));
    expect($state->owes('buyer.1'))->toBe(['sign']);
    expect(fn () => does($state, 'amount', '$5.00'))->toThrow(fn (StepRefused $no) => expect($no->reason)->toBe(SigningRefusal::NotChosen));
    $checked = does($state, 'box');
    expect($checked->owes('buyer.1'))->toBe(['amount', 'sign']);
    $typed = does($checked, 'amount', '$5.00');
    expect($typed->made->stands('amount'))->toBeTrue()->and($typed->made->values)->toBe(['amount' => '$5.00']);
    $unchecked = takesBack($typed, 'box');
    expect($unchecked->made->stands('amount'))->toBeFalse()->and($unchecked->owes('buyer.1'))->toBe(['sign']);
});

it('never asks for places that depend on each other in a ring', function () {
    $state = before(new Act('a', when: 'b'), new Act('b', when: 'a'), new Act('self', when: 'self'), new Act('sign'));
    expect($state->owes('buyer.1'))->toBe(['sign']);
});

it('takes back what was typed, never a signature, and nothing of another', function () {
    $state = does(does(before(new Act('sign'), new Act('note', isEntered: true)), 'note', 'first'), 'note', 'second');
    expect($state->made->values)->toBe(['note' => 'second']);
    $back = takesBack($state, 'note');
    expect($back->made->values)->toBe([])->and($back->owes('buyer.1'))->toBe(['sign', 'note']);
    foreach (['sign' => SigningRefusal::NotTakenBack, 'theirs' => SigningRefusal::NotTheirs] as $mark => $reason) {
        expect(fn () => takesBack(does($state, 'sign'), $mark))->toThrow(fn (StepRefused $no) => expect($no->reason)->toBe($reason));
    }
});

it('reads what is typed by what is asked for', function (EntryFormat $format, string $typed, string|SigningRefusal|null $stands) {
    $read = static fn () => $format->read($typed, LocalDate::of('2026-11-23'));
    if (is_string($stands)) {
        expect($read())->toBe($stands);

        return;
    }
    expect($read)->toThrow(function (StepRefused $no) use ($stands, $typed): void {
        $stands === null ? expect($no->getMessage())->toContain($typed) : expect($no->reason)->toBe($stands);
    });
})->with([
    [EntryFormat::Line, "  Brackwater \n Lending ", 'Brackwater Lending'],
    [EntryFormat::Line, " \u{200B}\t ", SigningRefusal::NothingEntered],
    [EntryFormat::Line, str_repeat('x', 501), SigningRefusal::TooLong],
    [EntryFormat::Lines, "first\r\nsecond", "first\nsecond"],
    [EntryFormat::Number, '1,250.5', '1,250.5'],
    [EntryFormat::Number, 'two', SigningRefusal::NoNumber],
    [EntryFormat::Money, '8k', '$8,000'],
    [EntryFormat::Money, 'eight', null],
    [EntryFormat::Day, 'dec 18', '12/18/2026'],
    [EntryFormat::Day, 'someday', null],
    [EntryFormat::Email, 'sunniva@eide.example', 'sunniva@eide.example'],
    [EntryFormat::Email, 'sunniva at eide', SigningRefusal::NoEmailAddress],
    [EntryFormat::Phone, '555 555 0141', '(555) 555-0141'],
    [EntryFormat::Phone, '12', SigningRefusal::NoPhoneNumber],
]);

it('keeps of a place what is not usual for its kind, and reads it back', function (MarkKind $kind, MarkTerms $terms, array $kept) {
    expect($terms->toArray($kind))->toBe($kept)->and(MarkTerms::fromArray($kind, $kept))->toEqual($terms);
})->with([
    [MarkKind::Signature, new MarkTerms(), []],
    [MarkKind::Tick, new MarkTerms(false), []],
    [MarkKind::Tick, new MarkTerms(true), ['required' => true]],
    [MarkKind::Strike, new MarkTerms(false), []],
    [MarkKind::Strike, new MarkTerms(true), ['required' => true]],
    [MarkKind::Initials, new MarkTerms(false, group: 'one'), ['required' => false, 'group' => 'one']],
    [
        MarkKind::Text,
        new MarkTerms(true, 'Lender', EntryFormat::Money, '', 'BOX', '$5.00'),
        ['hint' => 'Lender', 'format' => 'money', 'when' => 'BOX', 'filled' => '$5.00'],
    ],
]);
