<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * The straight lines and frames of a page's drawing, rounded corners as corners.
 *
 * @internal to its area
 */
final class PathsDrawn
{
    private const DEEPEST = 24;

    private const MOST = 20_000;

    /** The largest corner, and the broadest edge, in points. */
    private const ROUND = 14.0;

    private const EDGE = 3.0;

    /**
     * What is drawn in straight lines, in the order in which it is drawn.
     *
     * @param string $svg of a page, as it is drawn
     * @return list<array{non-empty-list<array{float, float}>, bool, bool, bool}> corners, whether it is stroked, filled, and filled in a
     *                                                                            light shade
     */
    public static function in(string $svg): array
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
     * @param list<array{non-empty-list<array{float, float}>, bool, bool, bool}> $paths
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
                $parts = self::polylines($child->getAttribute('d'));
                $isFilled = preg_match('/fill:\s*(?!none|;)/', $look) === 1;
                // An edge drawn as the room between two frames.
                $isEdge = $isFilled && count($parts) === 2 && self::isWithin($parts[0], $parts[1]);
                foreach ($isEdge ? [$parts[0]] : $parts as $points) {
                    $paths[] = [
                        array_map(
                            static fn (array $p) => [
                                $now[0] * $p[0] + $now[2] * $p[1] + $now[4],
                                $now[1] * $p[0] + $now[3] * $p[1] + $now[5],
                            ],
                            $points,
                        ),
                        $isEdge || preg_match('/stroke:\s*(?!none|;)/', $look) === 1,
                        $isFilled && ! $isEdge,
                        self::isLight($look),
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
            $corners = self::corners($part);
            if ($corners !== []) {
                $parts[] = [...$corners, $corners[0]];

                continue;
            }
            // Any other curve, or anything relative, is none of ours: cairo writes straight parts as M, L, H, V and Z.
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

    /**
     * The four corners of a frame whose corners are rounded.
     *
     * @return array{}|array{array{float, float}, array{float, float}, array{float, float}, array{float, float}}
     */
    private static function corners(string $part): array
    {
        if (substr_count($part, 'C') !== 4 || preg_match('/[^MLHVCZ\d\s.,e+-]/', $part) === 1) {
            return [];
        }
        $corners = [];
        [$x, $y] = [0.0, 0.0];
        preg_match_all('/([MLHVCZ])([^MLHVCZ]*)/', $part, $steps, PREG_SET_ORDER);
        foreach ($steps as [, $step, $rest]) {
            $n = array_map(floatval(...), preg_split('/[\s,]+/', trim($rest), -1, PREG_SPLIT_NO_EMPTY) ?: []);
            if ($step === 'C' && count($n) === 6) {
                if (abs($n[4] - $x) > self::ROUND || abs($n[5] - $y) > self::ROUND) {
                    return [];
                }
                // It leaves along one edge and comes in along the other.
                $corners[] = abs($n[0] - $x) < abs($n[1] - $y) ? [$x, $n[5]] : [$n[4], $y];
            }
            [$x, $y] = match (true) {
                $step === 'H' && $n !== [] => [end($n), $y],
                $step === 'V' && $n !== [] => [$x, end($n)],
                count($n) > 1 => [$n[count($n) - 2], $n[count($n) - 1]],
                default => [$x, $y],
            };
        }

        return count($corners) === 4 ? [$corners[0], $corners[1], $corners[2], $corners[3]] : [];
    }

    /**
     * Whether two parts of a path are frames one of which lies in the other, an edge apart.
     *
     * @param non-empty-list<array{float, float}> $outer
     * @param non-empty-list<array{float, float}> $inner
     */
    private static function isWithin(array $outer, array $inner): bool
    {
        if (count($outer) !== count($inner) || count($outer) > 6) {
            return false;
        }
        foreach ([0, 1] as $axis) {
            [$all, $within] = [array_column($outer, $axis), array_column($inner, $axis)];
            foreach ([min($within) - min($all), max($all) - max($within)] as $edge) {
                if ($edge < 0.0 || $edge > self::EDGE) {
                    return false;
                }
            }
        }

        return true;
    }

    /** Whether it is filled in a shade that is neither white nor dark. */
    private static function isLight(string $look): bool
    {
        if (preg_match('/fill:\s*rgb\(([\d.]+)%\s*,\s*([\d.]+)%\s*,\s*([\d.]+)%\)/', $look, $m) !== 1) {
            return false;
        }
        $least = min((float) $m[1], (float) $m[2], (float) $m[3]);
        $light = 0.3 * (float) $m[1] + 0.59 * (float) $m[2] + 0.11 * (float) $m[3];

        return $light > 70.0 && $least < 99.5;
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
