<?php

declare(strict_types=1);

use Unanimus\Pages\LayerKind;
use Unanimus\Pages\LayerPiece;
use Unanimus\Pages\Rect;
use Unanimus\Signing\ChangePlaces;
use Unanimus\Signing\Seat;

it('puts initials of all who signed in the margin beside each change, once where two stand together', function () {
    $pieces = [
        new LayerPiece(LayerKind::Line, 1, [new Rect(100, 300, 80, 12)]),
        new LayerPiece(LayerKind::Text, 1, [new Rect(190, 304, 80, 12)], '30'),
        new LayerPiece(LayerKind::Line, 1, [new Rect(100, 500, 80, 12)]),
        new LayerPiece(LayerKind::Text, 3, [new Rect(100, 2, 80, 8)], 'top'),
    ];
    $seats = [Seat::of('buyer.1'), Seat::of('seller.1')];
    $marks = ChangePlaces::beside($pieces, $seats, [[612.0, 792.0], [612.0, 792.0], [400.0, 500.0]]);
    expect(array_map(static fn (array $one) => "{$one['seat']} {$one['page']} ".implode(',', $one['place']->toArray()), $marks))->toBe([
        'buyer.1 1 540,299,30,14',
        'seller.1 1 572,299,30,14',
        'buyer.1 1 540,499,30,14',
        'seller.1 1 572,499,30,14',
        'buyer.1 3 328,8,30,14',
        'seller.1 3 360,8,30,14',
    ]);
    expect(ChangePlaces::beside([], $seats, []))->toBe([])->and(ChangePlaces::beside($pieces, [], []))->toBe([]);
});

it('keeps initials on the page, however many sign', function () {
    $piece = new LayerPiece(LayerKind::Line, 1, [new Rect(100, 780, 80, 12)]);
    $seats = array_map(static fn (int $n) => Seat::of("seller.{$n}"), range(1, 20));
    foreach (ChangePlaces::beside([$piece], $seats, [[612.0, 792.0]]) as ['place' => $place]) {
        expect($place->x)->toBeGreaterThanOrEqual(0.0)->and($place->y + $place->height)->toBeLessThanOrEqual(792.0);
    }
});
