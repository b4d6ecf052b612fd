<?php

declare(strict_types=1);

use Unanimus\Signing\AccessCode;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\Part;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundState;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SignerStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Signing\Turn;
use Unanimus\Steps\StepRefused;

$turns = [Turn::signing('buyer.1', 1, ['a', 'b']), Turn::signing('buyer.2', 1, ['c']), Turn::signing('agent.1', 2, ['d'])];
$begun = static fn (): array => [
    new RoundEvent(EventKind::Sent),
    new RoundEvent(EventKind::Opened, 'buyer.1'),
    new RoundEvent(EventKind::Consented, 'buyer.1'),
    new RoundEvent(EventKind::Adopted, 'buyer.1'),
    new RoundEvent(EventKind::Marked, 'buyer.1', ['mark' => 'a']),
];
$refusal = static function (callable $does): SigningRefusal {
    try {
        $does();
    } catch (StepRefused $refused) {
        return $refused->reason instanceof SigningRefusal ? $refused->reason : throw $refused;
    }
    throw new LogicException('Nothing was refused.');
};

it('lets whoever comes into a place begin anew, in their turn', function () use ($turns, $begun) {
    $state = RoundState::fold($turns, [...$begun(), new RoundEvent(EventKind::Replaced, null, ['seat' => 'buyer.1'])]);
    expect($state->signers['buyer.1'])
        ->toBe(SignerStatus::Invited)
        ->and($state->owes('buyer.1'))
        ->toBe(['a', 'b'])
        ->and($state->made->of('buyer.1'))
        ->toBe([])
        ->and($state->adopted)
        ->toBe([]);
    $waiting = RoundState::fold($turns, [...$begun(), new RoundEvent(EventKind::Replaced, null, ['seat' => 'agent.1'])]);
    expect($waiting->signers['agent.1'])->toBe(SignerStatus::Waiting)->and($waiting->made->of('buyer.1'))->toBe(['a']);
});

it('puts nobody in the place of who finished, or in none', function () use ($turns, $begun, $refusal) {
    $done = [
        ...$begun(),
        new RoundEvent(EventKind::Marked, 'buyer.1', ['mark' => 'b']),
        new RoundEvent(EventKind::Finished, 'buyer.1'),
    ];
    $state = RoundState::fold($turns, $done);
    $replace = static fn (string $seat) => static fn () => $state->after(new RoundEvent(EventKind::Replaced, null, ['seat' => $seat]));
    expect($refusal($replace('buyer.1')))
        ->toBe(SigningRefusal::FinishedStays)
        ->and($refusal($replace('seller.1')))
        ->toBe(SigningRefusal::NotAsked);
});

it('counts those who signed on paper as done, and asks the next turn', function () use ($turns, $begun, $refusal) {
    $paper = static fn (string ...$seats) => new RoundEvent(EventKind::SignedOnPaper, null, ['seats' => $seats]);
    $state = RoundState::fold($turns, [...$begun(), $paper('buyer.1', 'buyer.2')]);
    expect($state->asked())
        ->toBe(['agent.1'])
        ->and($state->onPaper)
        ->toBe(['buyer.1' => true, 'buyer.2' => true])
        ->and($state->made->of('buyer.1'))
        ->toBe([])
        ->and($state->after($paper('agent.1'))->status)
        ->toBe(RoundStatus::Complete)
        ->and($refusal(static fn () => $state->after($paper('buyer.1'))))
        ->toBe(SigningRefusal::FinishedStays);
    // Out of turn it counts as well: paper waits for nobody.
    $early = RoundState::fold($turns, [...$begun(), $paper('agent.1')]);
    expect($early->status)->toBe(RoundStatus::Out)->and($early->asked())->toBe(['buyer.1', 'buyer.2']);
});

it('lets whoever only looks finish without agreeing to sign, and holds the others back until then', function () use ($refusal) {
    $turns = [new Turn('other.1', 1, [], Part::Approves), Turn::signing('buyer.1', 2, ['a'])];
    $state = RoundState::fold($turns, [new RoundEvent(EventKind::Sent)]);
    expect($state->asked())
        ->toBe(['other.1'])
        ->and($refusal(static fn () => $state->after(new RoundEvent(EventKind::Opened, 'buyer.1'))))
        ->toBe(SigningRefusal::NotYet)
        ->and($state->after(new RoundEvent(EventKind::Finished, 'other.1'))->asked())
        ->toBe(['buyer.1']);
    $signs = RoundState::fold([Turn::signing('buyer.1', 1, [])], [new RoundEvent(EventKind::Sent)]);
    expect($refusal(static fn () => $signs->after(new RoundEvent(EventKind::Finished, 'buyer.1'))))->toBe(SigningRefusal::NotConsented);
});

it('changes nothing by what is only told', function (EventKind $kind, ?string $seat) use ($turns, $begun) {
    $state = RoundState::fold($turns, $begun());
    expect($state->after(new RoundEvent($kind, $seat)))->toEqual($state);
})->with([
    [EventKind::Answered, null],
    [EventKind::CodeSet, null],
    [EventKind::Reminded, null],
    [EventKind::Asked, 'buyer.1'],
    [EventKind::Referred, 'buyer.1'],
    [EventKind::CodeEntered, 'buyer.1'],
    [EventKind::CodeLocked, 'buyer.1'],
]);

it('tells what was done by whom it was asked of', function () {
    expect(EventKind::Finished->told(['part' => 'approves']))
        ->toBe('Approved it')
        ->and(EventKind::Finished->told(['part' => 'reads']))
        ->toBe('Read it')
        ->and(EventKind::Finished->told([]))
        ->toBe('Finished signing')
        ->and(array_unique(array_map(static fn (EventKind $kind) => $kind->label(), EventKind::cases())))
        ->toHaveCount(count(EventKind::cases()));
});

it('hears a code as it is told on the telephone', function (string $set, string $typed, bool $isIt) {
    expect(AccessCode::of($set)->is($typed))->toBe($isIt);
})->with([
    ['KITE42', 'kite42', true],
    ['kite-42', 'KITE 42', true],
    ['kite 42', 'k i t e 4 2', true],
    ['KITE42', 'KITE43', false],
    ['KITE42', '', false],
    ['KITE42', 'KITE421', false],
]);

it('takes no code that is too short, too long or no letters and digits', function (string $code) use ($refusal) {
    expect($refusal(static fn () => AccessCode::of($code)))->toBe(SigningRefusal::CodeTooShort);
})->with(['', 'abc', 'a b c', '1234567890123', 'käse42', 'kite!42']);
