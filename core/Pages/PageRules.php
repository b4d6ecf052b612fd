<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * The straight lines and frames drawn on a page, as it is read: what a form rules for people to write on.
 */
final readonly class PageRules
{
    private const THIN = 2.2;

    /** Dots of one line stand no farther apart, and are no fewer. */
    private const APART = 4.5;

    private const FEWEST = 5;

    /** How wide and high a shaded box is that may be written in; larger ones are grounds of blocks, lower ones lines. */
    private const SHADED = [24.0, 340.0, 10.0, 60.0];

    /**
     * @param list<array{float, float, float}> $across left, right, and how far from the top
     * @param list<array{float, float, float}> $down top, bottom, and how far from the left
     * @param list<Rect> $frames
     * @param list<Rect> $shaded boxes in a light shade, without an edge
     */
    private function __construct(public array $across, public array $down, public array $frames, public array $shaded = [])
    {
    }

    /**
     * Reads a page's lines.
     *
     * @param int $page from 1
     *
     * @throws ToolFailed when the page cannot be drawn
     */
    public static function of(string $pdf, int $page): self
    {
        $svg = (new NativeTool(30))->run(['pdftocairo', '-svg', '-f', (string) $page, '-l', (string) $page, $pdf, '-']);
        $across = $down = $frames = $dots = $shaded = [];
        foreach (PathsDrawn::in($svg) as [$points, $stroked, $filled, $light]) {
            $xs = array_column($points, 0);
            $ys = array_column($points, 1);
            [$x1, $x2, $y1, $y2] = [min($xs), max($xs), min($ys), max($ys)];
            [$wide, $high] = [$x2 - $x1, $y2 - $y1];
            if ($high < self::THIN && $wide > 8) {
                $across[] = [$x1, $x2, ($y1 + $y2) / 2];
            } elseif ($high < self::THIN && $wide > 0.1 && ($stroked || $filled)) {
                $dots[] = [$x1, $x2, ($y1 + $y2) / 2];
            } elseif ($wide < self::THIN && $high > 6) {
                $down[] = [$y1, $y2, ($x1 + $x2) / 2];
            } elseif ($stroked && self::isFrame($points, $x1, $x2, $y1, $y2)) {
                $frames[] = new Rect($x1, $y1, $wide, $high);
                array_push($across, [$x1, $x2, $y1], [$x1, $x2, $y2]);
                array_push($down, [$y1, $y2, $x1], [$y1, $y2, $x2]);
            } elseif ($stroked && ! $filled) {
                self::segments($points, $across, $down);
            } elseif ($light && self::isFrame($points, $x1, $x2, $y1, $y2)) {
                [$least, $most, $low, $tall] = self::SHADED;
                $wide >= $least && $wide <= $most && $high >= $low && $high <= $tall && ($shaded[] = new Rect($x1, $y1, $wide, $high));
            }
        }

        return new self(self::joined([...$across, ...self::dotted($dots)]), self::joined($down), $frames, $shaded);
    }

    /**
     * Of lines that were found elsewhere, as in the picture of a page.
     *
     * @param list<array{float, float, float}> $across left, right, and how far from the top
     * @param list<array{float, float, float}> $down top, bottom, and how far from the left
     */
    public static function ofLines(array $across, array $down): self
    {
        return new self(self::joined($across), self::joined($down), []);
    }

    /** @param  list<array{float, float}>  $points */
    private static function isFrame(array $points, float $x1, float $x2, float $y1, float $y2): bool
    {
        if (count($points) < 4 || count($points) > 6) {
            return false;
        }
        foreach ($points as [$x, $y]) {
            if (min(abs($x - $x1), abs($x - $x2)) > 0.8 || min(abs($y - $y1), abs($y - $y2)) > 0.8) {
                return false;
            }
        }

        return $x2 - $x1 > 4 && $y2 - $y1 > 4;
    }

    /**
     * @param list<array{float, float}> $points
     * @param list<array{float, float, float}> $across
     * @param list<array{float, float, float}> $down
     */
    private static function segments(array $points, array &$across, array &$down): void
    {
        for ($i = 1, $count = count($points); $i < $count; $i++) {
            [[$x1, $y1], [$x2, $y2]] = [$points[$i - 1], $points[$i]];
            abs($y1 - $y2) < 0.7 && abs($x1 - $x2) > 8 && ($across[] = [min($x1, $x2), max($x1, $x2), ($y1 + $y2) / 2]);
            abs($x1 - $x2) < 0.7 && abs($y1 - $y2) > 6 && ($down[] = [min($y1, $y2), max($y1, $y2), ($x1 + $x2) / 2]);
        }
    }

    /**
     * Lines that are drawn as dots or dashes, one by one.
     *
     * @param list<array{float, float, float}> $dots left, right, and how far from the top
     * @return list<array{float, float, float}>
     */
    private static function dotted(array $dots): array
    {
        usort($dots, static fn (array $a, array $b) => [round($a[2]), $a[0]] <=> [round($b[2]), $b[0]]);
        $lines = [];
        $last = null;
        foreach ($dots as [$left, $right, $y]) {
            if ($last !== null && abs($lines[$last][2] - $y) < 1 && $left - $lines[$last][1] < self::APART && $left > $lines[$last][0]) {
                $lines[$last][1] = max($right, $lines[$last][1]);
                $lines[$last][3]++;
            } else {
                $lines[] = [$left, $right, $y, 1];
                $last = array_key_last($lines);
            }
        }
        $long = array_filter($lines, static fn (array $line) => $line[3] >= self::FEWEST && $line[1] - $line[0] > 8);

        return array_map(static fn (array $line) => array_slice($line, 0, 3), array_values($long));
    }

    /**
     * Pieces of one line, drawn one after the other, as one.
     *
     * @param list<array{float, float, float}> $lines
     * @return list<array{float, float, float}>
     */
    private static function joined(array $lines): array
    {
        usort($lines, static fn (array $a, array $b) => [$a[2], $a[0]] <=> [$b[2], $b[0]]);
        $joined = [];
        // From here on they are near enough.
        $first = 0;
        foreach ($lines as $line) {
            while (isset($joined[$first]) && $line[2] - $joined[$first][2] >= 1.5) {
                $first++;
            }
            for ($at = $first; isset($joined[$at]); $at++) {
                [$from, $to, $y] = $joined[$at];
                if ($line[0] <= $to + 1.5 && $line[1] >= $from - 1.5 && ! self::isPair($joined[$at], $line)) {
                    array_splice($joined, $at, 1, [[min($from, $line[0]), max($to, $line[1]), $y]]);

                    continue 2;
                }
            }
            $joined[] = $line;
        }

        // What grew may now touch what stood before it.
        return count($joined) < count($lines) ? self::joined($joined) : $joined;
    }

    /**
     * Two short lines of one length with a gap between are two places, as for the initials of two people.
     *
     * @param array{float, float, float} $one
     * @param array{float, float, float} $other
     */
    private static function isPair(array $one, array $other): bool
    {
        [$left, $right] = $one[0] < $other[0] ? [$one, $other] : [$other, $one];
        [$wide, $long] = [$left[1] - $left[0], $right[1] - $right[0]];

        return $right[0] - $left[1] > 0.7 && min($wide, $long) > 14 && max($wide, $long) < 70 && abs($wide - $long) < 0.12 * $wide;
    }
}
