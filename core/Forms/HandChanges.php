<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Rect;

/**
 * What somebody changed by hand on a printed page: words struck out, and something written where the page has no place for it.
 */
final class HandChanges
{
    /** Points around a place to write in which a hand may stray from it. */
    private const STRAY = 12.0;

    /** Points of each edge of a page that scanners and telefaxes use. */
    private const EDGE = 30.0;

    /** The shortest line that strikes something out, in points. */
    private const STROKE = 26.0;

    /** Dots without print, between words and beside them, that it goes through. */
    private const CROSSED = 8;

    /** Dots that a square of the page is wide, in which what is written is counted. */
    private const SQUARE = 10;

    /** Part of a square that is dark where somebody wrote. */
    private const WRITTEN = 0.05;

    /** Dots by which a bent page may lie beside its print, and the part of what is written there that is then print. */
    private const MOVED = 9;

    private const SAME = 0.6;

    /** Part of a row that is print where a line is printed. */
    private const RULE = 0.8;

    /** Something written is at least so wide or high, in points. */
    private const LEAST = 20.0;

    /**
     * Where it was changed, largest first.
     *
     * @param list<Rect> $open places of the page that are there to be written in, in points from its upper left
     * @return list<Rect>
     */
    public static function on(FormInk $ink, array $open): array
    {
        $page = $ink->laidOut();
        $open = self::around($open);
        $found = self::joined([...self::strokes($page, $open), ...self::writing($page, $open)]);
        usort($found, static fn (Rect $a, Rect $b) => $b->width * $b->height <=> $a->width * $a->height);

        return $found;
    }

    /**
     * @param list<Rect> $open
     * @return list<Rect>
     */
    private static function around(array $open): array
    {
        $by = self::STRAY;

        return array_map(
            static fn (Rect $one) => new Rect($one->x - $by, $one->y - $by, $one->width + 2 * $by, $one->height + 2 * $by),
            $open,
        );
    }

    /**
     * Lines through what is printed, which stand in no row of the print.
     *
     * @param array{width: int, height: int, print: string, ink: string} $page
     * @param list<Rect> $open
     * @return list<Rect>
     */
    private static function strokes(array $page, array $open): array
    {
        $width = $page['width'];
        $points = FormInk::points();
        $least = (int) (self::STROKE / $points);
        // A stroke made by hand falls or climbs: each row is seen together with the next.
        $ink = $page['ink'] | substr($page['ink'], $width).str_repeat(' ', $width);
        $print = $page['print'];
        foreach ([1, 2, 4] as $rows) {
            $print |= str_repeat(' ', $rows * $width).substr($print, 0, -$rows * $width);
        }
        $print = substr($print, 3 * $width).str_repeat(' ', 3 * $width);
        $found = [];
        for ($y = 0; $y < $page['height']; $y++) {
            preg_match_all('/x+(?: x+)*/', substr($ink, $y * $width, $width), $runs, PREG_OFFSET_CAPTURE);
            foreach ($runs[0] as [$run, $x]) {
                $long = strlen($run);
                $isCrossing = $long >= $least && self::crossed(substr($print, $y * $width + $x, $long)) >= self::CROSSED;
                if (! $isCrossing || self::isRule($page, $y, $x, $long)) {
                    continue;
                }
                $place = new Rect($x * $points, ($y - 2) * $points, $long * $points, 5 * $points);
                self::isOutside($place, $page, $open) && ($found[] = $place);
            }
        }

        return $found;
    }

    /**
     * Whether the print has a line of its own near by, which the page was bent away from.
     *
     * @param array{width: int, print: string} $page
     */
    private static function isRule(array $page, int $y, int $x, int $long): bool
    {
        for ($row = max(0, $y - self::MOVED); $row <= $y + self::MOVED; $row++) {
            if (substr_count(substr($page['print'], $row * $page['width'] + $x, $long), 'x') > self::RULE * $long) {
                return true;
            }
        }

        return false;
    }

    /** Dots of a row without print, where they are more than what parts two letters. */
    private static function crossed(string $print): int
    {
        preg_match_all('/ {4,}/', $print, $gaps);

        return strlen(implode('', $gaps[0]));
    }

    /**
     * Squares with ink that is not print's, where they stand together.
     *
     * @param array{width: int, height: int, print: string, beyond: string, noise: float} $page
     * @param list<Rect> $open
     * @return list<Rect>
     */
    private static function writing(array $page, array $open): array
    {
        $points = FormInk::points();
        $size = self::SQUARE * $points;
        $least = max(self::WRITTEN, $page['noise'] * 4) * self::SQUARE ** 2;
        $counts = [];
        for ($at = strpos($page['beyond'], 'x'); $at !== false; $at = strpos($page['beyond'], 'x', $at + 1)) {
            $square = intdiv(intdiv($at, $page['width']), self::SQUARE) * 1000 + intdiv($at % $page['width'], self::SQUARE);
            $counts[$square] = ($counts[$square] ?? 0) + 1;
        }
        $squares = [];
        foreach ($counts as $square => $count) {
            $place = new Rect($square % 1000 * $size, intdiv($square, 1000) * $size, $size, $size);
            $count >= $least && self::isOutside($place, $page, $open) && ($squares[] = $place);
        }
        $isWriting = static fn (Rect $one) => max($one->width, $one->height) >= self::LEAST && ! self::isMovedPrint($one, $page);

        return array_values(array_filter(self::joined($squares), $isWriting));
    }

    /**
     * Whether what stands there is but print that lies a little beside itself, as on a page that was bent when it was scanned.
     *
     * @param array{width: int, height: int, print: string, beyond: string} $page
     */
    private static function isMovedPrint(Rect $place, array $page): bool
    {
        $points = FormInk::points();
        $width = $page['width'];
        $dots = [];
        for ($y = (int) ($place->y / $points); $y < (int) (($place->y + $place->height) / $points); $y++) {
            $row = substr($page['beyond'], $y * $width + (int) ($place->x / $points), (int) ($place->width / $points));
            for ($at = strpos($row, 'x'); $at !== false; $at = strpos($row, 'x', $at + 1)) {
                $dots[] = $y * $width + (int) ($place->x / $points) + $at;
            }
        }
        for ($down = -self::MOVED; $down <= self::MOVED; $down++) {
            for ($right = -self::MOVED; $right <= self::MOVED; $right++) {
                $met = 0;
                foreach ($dots as $dot) {
                    $to = $dot + $down * $width + $right;
                    $met += ($page['print'][$to] ?? ' ') === 'x' || ($page['print'][$to + 1] ?? ' ') === 'x' ? 1 : 0;
                }
                if ($met > self::SAME * count($dots)) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * @param array{width: int, height: int} $page
     * @param list<Rect> $open
     */
    private static function isOutside(Rect $place, array $page, array $open): bool
    {
        [$right, $foot] = [$page['width'] * FormInk::points() - self::EDGE, $page['height'] * FormInk::points() - self::EDGE];
        if ($place->x < self::EDGE || $place->y < self::EDGE || $place->x + $place->width > $right || $place->y + $place->height > $foot) {
            return false;
        }
        $middle = new Rect($place->x + $place->width / 2, $place->y + $place->height / 2, 0.1, 0.1);

        return array_filter($open, static fn (Rect $one) => $one->overlaps($middle)) === [];
    }

    /**
     * Those that touch, as one.
     *
     * @param list<Rect> $places
     * @return list<Rect>
     */
    private static function joined(array $places): array
    {
        $joined = [];
        foreach ($places as $place) {
            do {
                $touching = array_filter($joined, static fn (Rect $one) => self::around([$one])[0]->overlaps($place));
                foreach ($touching as $key => $one) {
                    unset($joined[$key]);
                    [$x, $y] = [min($one->x, $place->x), min($one->y, $place->y)];
                    $place = new Rect(
                        $x,
                        $y,
                        max($one->x + $one->width, $place->x + $place->width) - $x,
                        max($one->y + $one->height, $place->y + $place->height) - $y,
                    );
                }
            } while ($touching !== []);
            $joined[] = $place;
        }

        return array_values($joined);
    }
}
