<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Rect;
use Unanimus\Steps\StepRefused;

/**
 * Where on a page a mark is put by hand: kept inside the page, and no smaller than can be read.
 */
final class MarkSpot
{
    /** The least width and height of each kind, in points. */
    private const LEAST = [
        'signature' => [60.0, 12.0],
        'initials' => [16.0, 9.0],
        'date' => [40.0, 8.0],
        'name' => [50.0, 8.0],
        'time' => [36.0, 8.0],
        'moment' => [60.0, 8.0],
        'capacity' => [50.0, 8.0],
        'company' => [50.0, 8.0],
        'text' => [20.0, 8.0],
        'tick' => [6.0, 6.0],
        'strike' => [8.0, 6.0],
    ];

    /**
     * The place, kept on its page.
     *
     * @param array<mixed> $given left, top, width, height in points from the page's upper left
     * @param array{float, float} $size of the page
     *
     * @throws StepRefused when it is no place
     */
    public static function on(MarkKind $kind, array $given, array $size): Rect
    {
        $given = array_values($given);
        if (count($given) !== 4 || array_filter($given, is_numeric(...)) !== $given) {
            throw SigningRefusal::NoSuchPlace->because();
        }
        [$least, $low] = self::LEAST[$kind->value];
        $width = max(min($least, $size[0]), min((float) $given[2], $size[0]));
        $height = max(min($low, $size[1]), min((float) $given[3], $size[1]));

        return new Rect(
            round(max(0.0, min((float) $given[0], $size[0] - $width)), 2),
            round(max(0.0, min((float) $given[1], $size[1] - $height)), 2),
            round($width, 2),
            round($height, 2),
        );
    }
}
