<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * The straight lines and frames drawn on a page, as it is read: what a form rules for people to write on.
 */
final readonly class PageRules
{
    private const THIN = 2.2;

    private const DEEPEST = 24;

    private const MOST = 20_000;

    /** Dots of one line stand no farther apart, and are no fewer. */
    private const APART = 4.5;

    private const FEWEST = 5;

    /**
     * @param list<array{float, float, float}> $across left, right, and how far from the top
     * @param list<array{float, float, float}> $down top, bottom, and how far from the left
     * @param list<Rect> $frames
     */
    private function __construct(public array $across, public array $down, public array $frames)
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
        $across = $down = $frames = $dots = [];
        foreach (self::paths($svg) as [$points, $stroked, $filled]) {
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
            }
        }

        return new self(self::joined([...$across, ...self::dotted($dots)]), self::joined($down), $frames);
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

    /** @return list<array{non-empty-list<array{float, float}>, bool, bool}> */
    private static function paths(string $svg): array
    {
        // Letters are most of it, and none of ours; nor are the groups that they leave empty.
        $svg = preg_replace([
            '~<use xlink:href="#glyph[^>]*/>|<(symbol|g)[^>]* id="glyph[^>]*>\s*<path[^>]*/>\s*</\1>~',
            '~<g style="fill:[^"]*">\s*</g>~',
        ], '', $svg) ?? $svg;
        $document = new \DOMDocument();
        if (! @$document->loadXML($svg, LIBXML_NONET | LIBXML_NOERROR | LIBXML_PARSEHUGE) || $document->documentElement === null) {
            return [];
        }
        $named = [];
        // Asked as one set: a list of elements by name is walked anew for each of them, and a page has thousands.
        $groups = (new \DOMXPath($document))->query('//*[local-name()="g" or local-name()="symbol"][@id]') ?: [];
        foreach ($groups as $element) {
            $id = $element instanceof \DOMElement ? $element->getAttribute('id') : '';
            $id === '' || str_starts_with($id, 'glyph') || ($named[$id] = $element);
        }
        $paths = [];
        self::walk($document->documentElement, [1.0, 0.0, 0.0, 1.0, 0.0, 0.0], $named, $paths, 0);

        return $paths;
    }

    /**
     * @param array{float, float, float, float, float, float} $matrix
     * @param array<string, \DOMElement> $named
     * @param list<array{non-empty-list<array{float, float}>, bool, bool}> $paths
     */
    private static function walk(\DOMElement $element, array $matrix, array $named, array &$paths, int $depth): void
    {
        foreach ($element->childNodes as $child) {
            if (! ($child instanceof \DOMElement) || $depth > self::DEEPEST || count($paths) > self::MOST) {
                continue;
            }
            if ($child->localName === 'use') {
                $drawn = $named[ltrim($child->getAttribute('xlink:href') ?: $child->getAttribute('href'), '#')] ?? null;
                $shift = self::times(self::matrix($child->getAttribute('transform')), [
                    1.0,
                    0.0,
                    0.0,
                    1.0,
                    (float) $child->getAttribute('x'),
                    (float) $child->getAttribute('y'),
                ]);
                $drawn === null || self::walk($drawn, self::times($matrix, $shift), $named, $paths, $depth + 1);
            } elseif ($child->localName === 'g') {
                self::walk($child, self::times($matrix, self::matrix($child->getAttribute('transform'))), $named, $paths, $depth + 1);
            } elseif ($child->localName === 'path') {
                $look =
                    $child->getAttribute('style').
                    ';stroke:'.
                    $child->getAttribute('stroke').
                    ';fill:'.
                    $child->getAttribute('fill').
                    ';';
                $now = self::times($matrix, self::matrix($child->getAttribute('transform')));
                foreach (self::polylines($child->getAttribute('d')) as $points) {
                    $paths[] = [
                        array_map(
                            static fn (array $p) => [
                                $now[0] * $p[0] + $now[2] * $p[1] + $now[4],
                                $now[1] * $p[0] + $now[3] * $p[1] + $now[5],
                            ],
                            $points,
                        ),
                        preg_match('/stroke:\s*(?!none|;)/', $look) === 1,
                        preg_match('/fill:\s*(?!none|;)/', $look) === 1,
                    ];
                }
            }
        }
    }

    /** @return list<non-empty-list<array{float, float}>> the parts of a path that are straight all along */
    private static function polylines(string $path): array
    {
        $parts = [];
        foreach (preg_split('/(?=[Mm])/', $path, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $part) {
            // A curve, or anything relative, is none of ours: cairo writes straight parts as M, L, H, V and Z.
            if (preg_match('/[^MLHVZ\d\s.,e+-]/', $part) === 1) {
                continue;
            }
            $points = [];
            preg_match_all('/([MLHVZ])([^MLHVZ]*)/', $part, $steps, PREG_SET_ORDER);
            foreach ($steps as [, $step, $rest]) {
                $numbers = array_map(floatval(...), preg_split('/[\s,]+/', trim($rest), -1, PREG_SPLIT_NO_EMPTY) ?: []);
                $last = end($points) ?: [0.0, 0.0];
                $points = [
                    ...$points,
                    ...match ($step) {
                        'Z' => array_slice($points, 0, 1),
                        'H' => array_map(static fn (float $x) => [$x, $last[1]], $numbers),
                        'V' => array_map(static fn (float $y) => [$last[0], $y], $numbers),
                        default => array_map(static fn (array $pair) => [$pair[0], $pair[1] ?? 0.0], array_chunk($numbers, 2)),
                    },
                ];
            }
            count($points) > 1 && ($parts[] = $points);
        }

        return $parts;
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

    /** @return array{float, float, float, float, float, float} */
    private static function matrix(?string $transform): array
    {
        if (preg_match('/matrix\(([^)]+)\)/', (string) $transform, $m) === 1) {
            $parts = array_map(floatval(...), preg_split('/[\s,]+/', trim($m[1])) ?: []);
            if (count($parts) === 6) {
                return $parts;
            }
        }

        return preg_match('/translate\(\s*(-?[\d.]+)[\s,]+(-?[\d.]+)/', (string) $transform, $m) === 1
            ? [1.0, 0.0, 0.0, 1.0, (float) $m[1], (float) $m[2]]
            : [1.0, 0.0, 0.0, 1.0, 0.0, 0.0];
    }

    /**
     * @param array<int, float> $a
     * @param array<int, float> $b
     * @return array{float, float, float, float, float, float}
     */
    private static function times(array $a, array $b): array
    {
        return [
            $a[0] * $b[0] + $a[2] * $b[1],
            $a[1] * $b[0] + $a[3] * $b[1],
            $a[0] * $b[2] + $a[2] * $b[3],
            $a[1] * $b[2] + $a[3] * $b[3],
            $a[0] * $b[4] + $a[2] * $b[5] + $a[4],
            $a[1] * $b[4] + $a[3] * $b[5] + $a[5],
        ];
    }
}
