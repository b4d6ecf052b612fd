<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * A page photographed on a table: its edges found, cut out and set straight, the shadow over it evened. A picture on which no
 * page stands out from what it lies on is left alone.
 */
final class PhotoPage
{
    /** Longest side of what comes out, in dots: a letter page at 150 dots an inch. */
    private const LONGEST = 1650;

    /** Longest side that is worked on: more than the page that comes out, so that nothing of it is lost. */
    private const LARGE = 2600;

    /** Points of a photo that is looked at; unpacked it takes four bytes for each. */
    private const MOST = 26_000_000;

    /** Longest side of the small copy in which edges are looked for. */
    private const SMALL = 200;

    /** How much brighter paper must be than the table, of 255. */
    private const CONTRAST = 35;

    /** Part of the picture that a page takes at least. */
    private const LEAST = 0.18;

    /** How bright paper is made, of 255. */
    private const PAPER = 247;

    /** How much a shadow is lifted at most. */
    private const LIFT = 2.4;

    /**
     * The page of a photo as JPEG, upright as the camera held it.
     *
     * @param string $path a JPEG or PNG
     * @return string|null its bytes; null: no page was found, or the picture cannot be read here
     */
    public static function flatten(string $path): ?string
    {
        $size = @getimagesize($path);
        if ($size === false || $size[0] * $size[1] > self::MOST) {
            return null;
        }
        $read = @imagecreatefromstring((string) file_get_contents($path));
        if ($read === false) {
            return null;
        }
        $by = self::LARGE / max(imagesx($read), imagesy($read));
        $fit = $by < 1 ? imagescale($read, (int) (imagesx($read) * $by), (int) (imagesy($read) * $by), IMG_BILINEAR_FIXED) : $read;
        unset($read);
        $picture = $fit === false ? null : CameraTurn::upright($fit, CameraTurn::of($path));
        if ($picture === null) {
            return null;
        }
        $corners = self::corners($picture);
        if ($corners === null) {
            return null;
        }
        $page = self::cut($picture, $corners);
        self::even($page);
        ob_start();
        imagejpeg($page, null, 85);

        return (string) ob_get_clean();
    }

    /**
     * The corners of the page on a picture, as parts of its width and height: upper left, upper right, lower right, lower left.
     *
     * @return list<array{float, float}>|null null: none stands out
     */
    public static function corners(\GdImage $picture): ?array
    {
        $scale = self::SMALL / max(imagesx($picture), imagesy($picture));
        [$width, $height] = [max(8, (int) (imagesx($picture) * $scale)), max(8, (int) (imagesy($picture) * $scale))];
        $small = imagescale($picture, $width, $height, IMG_BILINEAR_FIXED);
        if ($small === false) {
            return null;
        }
        $shades = [];
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $shades[] = self::shade((int) imagecolorat($small, $x, $y));
            }
        }
        [$limit, $contrast] = self::threshold($shades);
        $paper = $contrast < self::CONTRAST ? [] : self::middleArea($shades, $width, $height, $limit);
        if (count($paper) < self::LEAST * $width * $height) {
            return null;
        }

        return self::quad($paper, $width, $height);
    }

    /**
     * @param list<int> $paper places of the small copy that belong to the page
     * @return list<array{float, float}>|null
     */
    private static function quad(array $paper, int $width, int $height): ?array
    {
        $best = array_fill(0, 4, [-INF, 0, 0]);
        $edges = [0, 0, 0, 0];
        foreach ($paper as $place) {
            [$x, $y] = [$place % $width, intdiv($place, $width)];
            foreach ([-$x - $y, $x - $y, $x + $y, $y - $x] as $corner => $far) {
                $far > $best[$corner][0] && ($best[$corner] = [$far, $x, $y]);
            }
            $edges = [
                $edges[0] + ($x === 0 ? 1 : 0),
                $edges[1] + ($x === $width - 1 ? 1 : 0),
                $edges[2] + ($y === 0 ? 1 : 0),
                $edges[3] + ($y === $height - 1 ? 1 : 0),
            ];
        }
        // Of a page that runs out of the picture nobody knows the corners.
        $cutOff = count(array_filter($edges, static fn (int $many) => $many > 0.25 * min($width, $height)));
        $corners = array_map(static fn (array $one) => [(float) $one[1], (float) $one[2]], $best);
        $area = 0.0;
        $shortest = INF;
        foreach ($corners as $index => [$x, $y]) {
            [$nextX, $nextY] = $corners[($index + 1) % 4];
            $area += ($x * $nextY - $nextX * $y) / 2;
            $shortest = min($shortest, hypot($nextX - $x, $nextY - $y));
        }
        $filled = $area <= 0 ? 0.0 : count($paper) / $area;
        if ($cutOff > 1 || $shortest < self::SMALL / 6 || $filled < 0.86 || $filled > 1.2) {
            return null;
        }

        return array_map(
            static fn (array $corner) => [($corner[0] + 0.5) / $width, ($corner[1] + 0.5) / $height],
            $corners,
        );
    }

    /**
     * The shade that parts bright from dark best (Otsu, 1979), and how far the means of both lie apart.
     *
     * @param list<int> $shades
     * @return array{int, float}
     */
    private static function threshold(array $shades): array
    {
        $count = array_fill(0, 256, 0);
        foreach ($shades as $shade) {
            $count[$shade]++;
        }
        $all = count($shades);
        $sum = array_sum($shades);
        $best = [127, 0.0, -1.0];
        $below = $sumBelow = 0;
        for ($shade = 0; $shade < 255; $shade++) {
            $below += $count[$shade];
            $sumBelow += $shade * $count[$shade];
            if ($below === 0 || $below === $all) {
                continue;
            }
            $apart = ($sum - $sumBelow) / ($all - $below) - $sumBelow / $below;
            $between = $below * ($all - $below) * $apart * $apart;
            $between > $best[2] && ($best = [$shade, $apart, $between]);
        }

        return [$best[0], $best[1]];
    }

    /**
     * What hangs together with the middle of the picture and is bright; what is written inside belongs to it.
     *
     * @param list<int> $shades
     * @return list<int>
     */
    private static function middleArea(array $shades, int $width, int $height, int $limit): array
    {
        $start = null;
        for ($step = 0; $start === null && $step < min($width, $height) / 4; $step++) {
            $place = intdiv($height, 2) * $width + intdiv($width, 2) + $step;
            $shades[$place] > $limit && ($start = $place);
        }
        if ($start === null) {
            return [];
        }
        $seen = [$start => true];
        $line = [$start];
        while ($line !== []) {
            $place = array_pop($line);
            $x = $place % $width;
            foreach ([$x > 0 ? $place - 1 : -1, $x < $width - 1 ? $place + 1 : -1, $place - $width, $place + $width] as $next) {
                if ($next >= 0 && isset($shades[$next]) && ! isset($seen[$next]) && $shades[$next] > $limit) {
                    $seen[$next] = true;
                    $line[] = $next;
                }
            }
        }
        $rows = [];
        foreach (array_keys($seen) as $place) {
            $y = intdiv($place, $width);
            $x = $place % $width;
            $rows[$y] = [min($x, $rows[$y][0] ?? $x), max($x, $rows[$y][1] ?? $x)];
        }
        $area = [];
        foreach ($rows as $y => [$from, $until]) {
            for ($x = $from; $x <= $until; $x++) {
                $area[] = $y * $width + $x;
            }
        }

        return $area;
    }

    /**
     * The page within its corners, laid flat.
     *
     * @param list<array{float, float}> $corners
     */
    private static function cut(\GdImage $picture, array $corners): \GdImage
    {
        [$fullWidth, $fullHeight] = [imagesx($picture), imagesy($picture)];
        $at = array_map(static fn (array $one) => [$one[0] * $fullWidth, $one[1] * $fullHeight], $corners);
        $far = static fn (int $a, int $b): float => hypot($at[$a][0] - $at[$b][0], $at[$a][1] - $at[$b][1]);
        [$wide, $high] = [max($far(0, 1), $far(3, 2)), max($far(0, 3), $far(1, 2))];
        $scale = min(1.0, self::LONGEST / max($wide, $high));
        [$width, $height] = [max(1, (int) ($wide * $scale)), max(1, (int) ($high * $scale))];
        // The projective map of the unit square onto the four corners (Heckbert, 1989, 2.2.3).
        [[$x0, $y0], [$x1, $y1], [$x2, $y2], [$x3, $y3]] = $at;
        [$dx1, $dx2, $sx] = [$x1 - $x2, $x3 - $x2, $x0 - $x1 + $x2 - $x3];
        [$dy1, $dy2, $sy] = [$y1 - $y2, $y3 - $y2, $y0 - $y1 + $y2 - $y3];
        $det = $dx1 * $dy2 - $dx2 * $dy1;
        $g = ($sx * $dy2 - $dx2 * $sy) / $det;
        $h = ($dx1 * $sy - $sx * $dy1) / $det;
        [$a, $b, $d, $e] = [$x1 - $x0 + $g * $x1, $x3 - $x0 + $h * $x3, $y1 - $y0 + $g * $y1, $y3 - $y0 + $h * $y3];
        $page = imagecreatetruecolor($width, $height);
        for ($row = 0; $row < $height; $row++) {
            $v = ($row + 0.5) / $height;
            for ($column = 0; $column < $width; $column++) {
                $u = ($column + 0.5) / $width;
                $depth = $g * $u + $h * $v + 1;
                $x = (int) (($a * $u + $b * $v + $x0) / $depth);
                $y = (int) (($d * $u + $e * $v + $y0) / $depth);
                if ($x >= 0 && $y >= 0 && $x < $fullWidth && $y < $fullHeight) {
                    imagesetpixel($page, $column, $row, (int) imagecolorat($picture, $x, $y));
                }
            }
        }

        return $page;
    }

    /** Lifts each place by what the paper around it lacks to white. */
    private static function even(\GdImage $page): void
    {
        [$width, $height] = [imagesx($page), imagesy($page)];
        [$columns, $rows] = [20, 26];
        $paper = [];
        for ($row = 0; $row < $rows; $row++) {
            for ($column = 0; $column < $columns; $column++) {
                $shades = [];
                for ($n = 0; $n < 64; $n++) {
                    $x = (int) (($column + ($n % 8 + 0.5) / 8) * $width / $columns);
                    $y = (int) (($row + (intdiv($n, 8) + 0.5) / 8) * $height / $rows);
                    $shades[] = self::shade((int) imagecolorat($page, min($width - 1, $x), min($height - 1, $y)));
                }
                sort($shades);
                $paper[$row][$column] = $shades[54];
            }
        }
        for ($y = 0; $y < $height; $y++) {
            $v = max(0.0, min($rows - 1.001, ($y / $height) * $rows - 0.5));
            [$row, $down] = [(int) $v, $v - (int) $v];
            for ($x = 0; $x < $width; $x++) {
                $u = max(0.0, min($columns - 1.001, ($x / $width) * $columns - 0.5));
                [$column, $right] = [(int) $u, $u - (int) $u];
                $above = $paper[$row][$column] * (1 - $right) + $paper[$row][$column + 1] * $right;
                $below = $paper[$row + 1][$column] * (1 - $right) + $paper[$row + 1][$column + 1] * $right;
                $lift = max(1.0, min(self::LIFT, self::PAPER / max(1.0, $above * (1 - $down) + $below * $down)));
                $color = (int) imagecolorat($page, $x, $y);
                imagesetpixel(
                    $page,
                    $x,
                    $y,
                    min(255, (int) (($color >> 16 & 255) * $lift)) << 16 | min(255, (int) (($color >> 8 & 255) * $lift)) << 8
                        | min(255, (int) (($color & 255) * $lift)),
                );
            }
        }
    }

    private static function shade(int $color): int
    {
        return (int) (0.299 * ($color >> 16 & 255) + 0.587 * ($color >> 8 & 255) + 0.114 * ($color & 255));
    }
}
