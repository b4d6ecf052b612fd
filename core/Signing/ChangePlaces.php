<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\LayerPiece;
use Unanimus\Pages\Rect;

/**
 * Where those who signed a paper initial what was changed on it since: in the right margin, beside each change, one beside the other.
 */
final class ChangePlaces
{
    private const WIDTH = 30.0;

    private const HEIGHT = 14.0;

    private const MARGIN = 8.0;

    /** Changes that stand closer to each other are one: words struck, and what is put in their place. */
    private const NEAR = 20.0;

    /**
     * @param list<LayerPiece> $pieces what was put over the pages
     * @param list<Seat> $seats of those who signed, in order
     * @param list<array{float, float}> $sizes of the pages
     * @return list<array{page: int, seat: Seat, place: Rect}>
     */
    public static function beside(array $pieces, array $seats, array $sizes): array
    {
        $marks = [];
        foreach (self::changes($pieces) as [$page, $middle]) {
            [$width, $height] = $sizes[$page - 1] ?? [612.0, 792.0];
            $top = max(self::MARGIN, min($middle - self::HEIGHT / 2, $height - self::HEIGHT - self::MARGIN));
            foreach ($seats as $index => $seat) {
                $left = $width - self::MARGIN - (count($seats) - $index) * (self::WIDTH + 2);
                $marks[] = ['page' => $page, 'seat' => $seat, 'place' => new Rect(max(0.0, $left), $top, self::WIDTH, self::HEIGHT)];
            }
        }

        return $marks;
    }

    /**
     * @param list<LayerPiece> $pieces
     * @return list<array{int, float}> page and height of each change, in the order of reading
     */
    private static function changes(array $pieces): array
    {
        $at = [];
        foreach ($pieces as $piece) {
            foreach ($piece->places as $place) {
                $at[] = [$piece->page, $place->y + $place->height / 2];
            }
        }
        sort($at);
        $changes = [];
        foreach ($at as [$page, $middle]) {
            $last = $changes[count($changes) - 1] ?? null;
            if ($last === null || $last[0] !== $page || $middle - $last[1] > self::NEAR) {
                $changes[] = [$page, $middle];
            }
        }

        return $changes;
    }
}
