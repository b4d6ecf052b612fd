<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * How much the lines of a picture fall from left to right, by its ink: set straight, rows of print and ruled lines are dark and
 * the rows between them empty, so that the squares of what each holds add up to the most.
 *
 * @internal to its area
 */
final class InkSlope
{
    /** Columns that are moved together, in dots. */
    private const STRIP = 40;

    /** The most a page falls, as a part of its width; and how far from that what was read of its words may be and still be right. */
    private const MOST = 0.044;

    private const NEAR = 0.004;

    /** Steps of a first look, and of a second about what was best. */
    private const STEP = 0.002;

    private const FINE = 0.0005;

    /** @param  list<array<int, int>>  $strips  ink of each strip by row, where there is any */
    private function __construct(private readonly array $strips, private readonly int $width)
    {
    }

    /**
     * How much a picture's lines fall: as its words say, unless its ink says clearly otherwise.
     *
     * @param string $dots row by row, a character for each: "x" is ink
     * @param float|null $about what was read of its words, as a part of a line's length; null: nothing
     * @return float as a part of a line's length, downwards
     */
    public static function of(string $dots, int $width, int $height, ?float $about): float
    {
        $strips = [];
        for ($left = 0; $left < $width; $left += self::STRIP) {
            $ink = [];
            $wide = min(self::STRIP, $width - $left);
            for ($y = 0; $y < $height; $y++) {
                $count = substr_count($dots, 'x', $y * $width + $left, $wide);
                $count > 0 && ($ink[$y] = $count);
            }
            $strips[] = $ink;
        }
        $page = new self($strips, $width);
        $seen = $page->best($page->best(0.0, self::MOST, self::STEP), self::STEP, self::FINE);

        return $about !== null && abs($about - $seen) < self::NEAR ? $about : $seen;
    }

    private function best(float $about, float $far, float $step): float
    {
        [$best, $most] = [$about, -1];
        for ($nth = 0; $nth <= (int) round($far / $step); $nth++) {
            foreach ($nth === 0 ? [0] : [-$nth, $nth] as $times) {
                $sum = $this->sharpness($about + $times * $step);
                $sum > $most && ([$best, $most] = [$about + $times * $step, $sum]);
            }
        }

        return $best;
    }

    private function sharpness(float $slope): int
    {
        $rows = [];
        foreach ($this->strips as $nth => $ink) {
            $down = (int) round($slope * (($nth + 0.5) * self::STRIP - $this->width / 2));
            foreach ($ink as $y => $count) {
                $rows[$y - $down] = ($rows[$y - $down] ?? 0) + $count;
            }
        }

        return array_sum(array_map(static fn (int $ink) => $ink * $ink, $rows));
    }
}
