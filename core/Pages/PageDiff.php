<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Where two prints of a page differ, as an eye would see it: print that moved by a hair is the same, a word more or less is not.
 */
final class PageDiff
{
    private const DOTS = 60;

    /** Dots a side of the squares that are compared. */
    private const CELL = 8;

    /** Dots in a square that differ before it counts. */
    private const LEAST = 3;

    /** How much darker than paper ink is. */
    private const INK = 0.6;

    /**
     * The places on the second page, in points from its upper left; none: they look the same.
     *
     * @param int $page of the first, from 1
     * @param int $otherPage of the second, from 1
     * @return list<Rect>
     *
     * @throws ToolFailed when one cannot be drawn
     */
    public static function of(string $pdf, int $page, string $other, int $otherPage): array
    {
        $first = InkDots::of($pdf, $page, self::DOTS, self::INK);
        [$width, $before] = [$first->width, $first->dots];
        $after = InkDots::of($other, $otherPage, self::DOTS, self::INK, $first)->dots;
        $cells = [];
        foreach ([[$before, $after], [$after, $before]] as [$one, $two]) {
            for ($at = strpos($one, 'x'); $at !== false; $at = strpos($one, 'x', $at + 1)) {
                if (! self::isNear($two, $at, $width)) {
                    $cell = intdiv(intdiv($at, $width), self::CELL).'|'.intdiv($at % $width, self::CELL);
                    $cells[$cell] = ($cells[$cell] ?? 0) + 1;
                }
            }
        }
        $cells = array_filter($cells, static fn (int $dots) => $dots >= self::LEAST);

        return self::joined(array_keys($cells));
    }

    private static function isNear(string $dots, int $at, int $width): bool
    {
        foreach ([0, -1, 1, -$width, $width, -$width - 1, -$width + 1, $width - 1, $width + 1] as $by) {
            if (($dots[$at + $by] ?? '') === 'x') {
                return true;
            }
        }

        return false;
    }

    /**
     * @param list<string> $cells
     * @return list<Rect>
     */
    private static function joined(array $cells): array
    {
        $open = array_fill_keys($cells, true);
        $found = [];
        $points = self::CELL * 72 / self::DOTS;
        while ($open !== []) {
            $line = [(string) array_key_first($open)];
            $rows = $columns = [];
            while ($line !== []) {
                $cell = array_pop($line);
                if (! isset($open[$cell])) {
                    continue;
                }
                unset($open[$cell]);
                [$row, $column] = array_map(intval(...), explode('|', $cell));
                [$rows[], $columns[]] = [$row, $column];
                // Words of a line belong together over the space between them.
                for ($down = -1; $down <= 1; $down++) {
                    for ($right = -2; $right <= 2; $right++) {
                        $line[] = ($row + $down).'|'.($column + $right);
                    }
                }
            }
            $rows === [] || $columns === [] || ($found[] = new Rect(
                min($columns) * $points,
                min($rows) * $points,
                (max($columns) - min($columns) + 1) * $points,
                (max($rows) - min($rows) + 1) * $points,
            ));
        }

        return $found;
    }
}
