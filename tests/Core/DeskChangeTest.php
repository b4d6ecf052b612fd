<?php

declare(strict_types=1);

use Unanimus\Signing\DeskChange;

const BARE_DESK = ['marks' => ['A' => ['seat' => 'buyer.1', 'x' => '72.00'], 'B' => ['seat' => 'agent.1', 'x' => '300.00']]];

/**
 * A desk after a step is written on it.
 *
 * @param array<string, array<array-key, array<string, mixed>>> $desk
 * @return array<string, array<array-key, array<string, mixed>>>
 */
function deskAfter(array $desk, DeskChange $change): array
{
    foreach ($change->onto($desk) as $kind => $writes) {
        foreach ($writes as $key => $row) {
            $desk[$kind][$key] = [...$desk[$kind][$key] ?? [], ...$row ?? []];
            if ($row === null) {
                unset($desk[$kind][$key]);
            }
        }
    }

    return $desk;
}

it('takes back what came, went and moved, and does it again', function () {
    $after = BARE_DESK;
    $after['marks']['A']['x'] = '90.00';
    unset($after['marks']['B']);
    $after['signers']['S'] = ['seat' => 'buyer.2', 'turn' => 2];
    $change = DeskChange::between(BARE_DESK, $after);
    $taken = deskAfter($after, $change->back());
    expect(array_filter($taken))->toEqual(BARE_DESK)
        ->and(deskAfter($taken, $change))->toEqual($after)
        ->and($change->isNone())->toBeFalse()
        ->and(DeskChange::between($after, $after)->isNone())->toBeTrue();
});

it('keeps of a row that stays only what changed', function () {
    $after = BARE_DESK;
    $after['marks']['A']['x'] = '90.00';
    expect(DeskChange::between(BARE_DESK, $after)->rows)->toBe(['marks' => ['A' => [['x' => '72.00'], ['x' => '90.00']]]]);
});

it('leaves as it is what somebody else has changed since', function () {
    $after = BARE_DESK;
    $after['marks']['A'] = ['seat' => 'buyer.2', 'x' => '90.00'];
    $after['marks']['C'] = ['seat' => 'buyer.1', 'x' => '10.00'];
    unset($after['marks']['B']);
    $back = DeskChange::between(BARE_DESK, $after)->back();
    $now = $after;
    $now['marks']['A']['x'] = '95.00';
    $now['marks']['C']['x'] = '11.00';
    $now['marks']['B'] = ['seat' => 'buyer.9', 'x' => '1.00'];
    expect($back->onto($now))->toBe(['marks' => ['A' => ['seat' => 'buyer.1']]]);
    unset($now['marks']['A'], $now['marks']['C']);
    expect($back->onto($now))->toBe([]);
});

it('knows a row whose columns come in another order', function () {
    $after = [...BARE_DESK, 'marks' => [...BARE_DESK['marks'], 'C' => ['seat' => 'buyer.1', 'x' => '10.00']]];
    $back = DeskChange::between(BARE_DESK, $after)->back();
    $after['marks']['C'] = array_reverse($after['marks']['C']);
    expect($back->onto($after))->toBe(['marks' => ['C' => null]]);
});

it('is one step of several, whatever each did to the other', function (array ...$desks) {
    $desks = array_map(static fn (array $marks) => ['marks' => $marks], $desks);
    $all = DeskChange::between($desks[0], $desks[1]);
    foreach (array_slice($desks, 1, -1) as $at => $desk) {
        $all = $all->then(DeskChange::between($desk, $desks[$at + 2]));
    }
    $end = $desks[count($desks) - 1];
    $taken = deskAfter($end, DeskChange::fromArray(json_decode((string) json_encode($all->back()->rows), true)));
    expect($taken)->toEqual($desks[0])->and(deskAfter($desks[0], $all))->toEqual($end);
})->with([
    'moved twice' => [['A' => ['x' => 1, 'y' => 1]], ['A' => ['x' => 2, 'y' => 1]], ['A' => ['x' => 3, 'y' => 1]]],
    'moved, then elsewhere' => [['A' => ['x' => 1, 'y' => 1]], ['A' => ['x' => 2, 'y' => 1]], ['A' => ['x' => 2, 'y' => 5]]],
    'put and moved' => [[], ['A' => ['x' => 1, 'y' => 1]], ['A' => ['x' => 2, 'y' => 1]]],
    'moved and taken away' => [['A' => ['x' => 1, 'y' => 1]], ['A' => ['x' => 2, 'y' => 1]], []],
    'put and taken away' => [[], ['A' => ['x' => 1, 'y' => 1]], []],
    'taken away and put again' => [['A' => ['x' => 1, 'y' => 1]], [], ['A' => ['x' => 4, 'y' => 1]]],
    'two of them' => [
        ['A' => ['x' => 1], 'B' => ['x' => 7]],
        ['A' => ['x' => 2], 'B' => ['x' => 7]],
        ['A' => ['x' => 2], 'B' => ['x' => 8]],
    ],
]);

it('is nothing where what was put is taken away in the same step', function () {
    $put = ['marks' => ['A' => ['x' => 1]]];
    expect(DeskChange::between([], $put)->then(DeskChange::between($put, []))->isNone())->toBeTrue();
});
