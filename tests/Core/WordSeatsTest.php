<?php

declare(strict_types=1);

use Unanimus\Pages\Rect;
use Unanimus\Signing\Seat;
use Unanimus\Signing\WordSeats;

/** @param  list<array{string, int, float, float}>  $places  kind, page, left, foot */
function whoseAre(array $places, string $said, string ...$taken): array
{
    $asked = array_map(
        static fn (array $one) => ['kind' => $one[0], 'page' => $one[1], 'place' => new Rect($one[2], $one[3] - 20, 100, 20)],
        $places,
    );
    $whose = WordSeats::of($asked, Seat::of($said), array_map(Seat::of(...), array_values($taken)));
    ksort($whose);

    return array_map(static fn (?Seat $seat) => $seat === null ? '-' : (string) $seat, $whose);
}

it('gives the next place of a word to the next person of the role', function (array $places, array $expected) {
    expect(whoseAre($places, 'buyer.1', 'buyer.2', 'buyer.1', 'seller.1', 'agent.1'))->toBe($expected);
})->with([
    'under each other, each with a date' => [
        [['signature', 1, 72, 300], ['date', 1, 300, 300], ['signature', 1, 72, 340], ['date', 1, 300, 340]],
        ['buyer.1', 'buyer.1', 'buyer.2', 'buyer.2'],
    ],
    'beside each other, one date' => [
        [['signature', 1, 300, 301], ['signature', 1, 72, 300], ['date', 1, 72, 340]],
        ['buyer.2', 'buyer.1', 'buyer.1'],
    ],
    'beside each other, askew' => [
        [['signature', 1, 300, 297], ['signature', 1, 72, 303], ['signature', 1, 300, 330], ['signature', 1, 72, 336.9]],
        ['buyer.2', 'buyer.1', '-', '-'],
    ],
    'a block as far as one reaches, and one farther' => [
        [['signature', 1, 72, 300], ['signature', 1, 72, 419], ['signature', 1, 72, 539]],
        ['buyer.1', 'buyer.2', 'buyer.1'],
    ],
    'initials on a row, and at a paragraph farther down' => [
        [['initials', 1, 72, 300], ['initials', 1, 180, 300], ['initials', 1, 72, 340], ['initials', 1, 72, 379]],
        ['buyer.1', 'buyer.2', 'buyer.1', 'buyer.2'],
    ],
    'each page for itself' => [
        [['initials', 2, 72, 700], ['initials', 1, 72, 700], ['signature', 1, 72, 710]],
        ['buyer.1', 'buyer.1', 'buyer.1'],
    ],
    'more places than people' => [
        [['signature', 1, 72, 300], ['signature', 1, 72, 330], ['signature', 1, 72, 360]],
        ['buyer.1', 'buyer.2', '-'],
    ],
]);

it('begins with whom it was said to be, and gives all to one who is alone', function () {
    $two = [['signature', 1, 72, 300], ['signature', 1, 72, 330]];
    expect(whoseAre($two, 'buyer.2', 'buyer.1', 'buyer.2', 'buyer.3'))->toBe(['buyer.2', 'buyer.3'])
        ->and(whoseAre($two, 'agent.1', 'buyer.1', 'buyer.2'))->toBe(['agent.1', 'agent.1'])
        ->and(whoseAre($two, 'buyer.2', 'buyer.1', 'buyer.2'))->toBe(['buyer.2', 'buyer.2'])
        ->and(whoseAre([], 'buyer.1'))->toBe([]);
});
