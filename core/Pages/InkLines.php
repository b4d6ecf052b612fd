<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * The lines of a page that is but a picture: across, as long runs of ink or as rows of dots, and down.
 *
 * @internal to its area
 */
final readonly class InkLines
{
    /** The shortest line that is taken for one, in points, and the thickest. */
    private const SHORTEST = 14.0;

    private const THICKEST = 4.0;

    /** A row of dots is longer: a short one could be a word's. */
    private const SHORTEST_DOTTED = 24.0;

    /**
     * The longest dot of a dotted line and the widest gap between two, in dots of the picture; and the fewest there are: close, and set
     * apart.
     */
    private const DOTTED = ['/x{1,10}(?: {1,6}x{1,10}){7,}/', '/x{1,18}(?: {5,14}x{1,18}){7,}/'];

    /** So many of its dots, of all, begin as far from the one before as most do, or twice as far, within two dots of the picture. */
    private const REGULAR = 0.8;

    private const FEWEST_STEPS = 7;

    /** How much of the rows over and under one may be ink: noise, and the end of a letter. */
    private const BESIDE = 0.12;

    /** Pieces of one line lie no farther apart, up and down and across, in points; and of each
     * piece between so much is ink. */
    private const SAME_ROW = 1.6;

    private const WIDEST_GAP = 90.0;

    private const BROKEN = 0.4;

    private const PIECE = 6.0;

    /** Over it there is no more ink than noise. */
    private const CLEAR = 0.18;

    /** Less askew than this, a line stays in its row of dots over a page. */
    private const LEVEL = 0.0005;

    /**
     * @param string $dots row by row, a character for each: "x" is ink
     * @param float $slope how much a line falls from left to right, as a part of its length
     * @param int $resolution dots an inch
     */
    public function __construct(
        private string $dots,
        private int $width,
        private int $height,
        private float $slope,
        private int $resolution,
    ) {
    }

    /**
     * Long runs of ink in a row, set straight: strips of columns are shifted against each other.
     *
     * @param bool $mends whether pieces of a line are taken for one
     * @return list<array{float, float, float}> left, right and from the top, in points
     */
    public function across(bool $mends = true): array
    {
        $least = (int) (self::SHORTEST * $this->resolution / 72);
        $rows = [];
        // A thin line on a slope goes on in the row below: each row is seen together with the next.
        $dots = $this->dots | (substr($this->dots, $this->width).str_repeat(' ', $this->width));
        for ($y = 0; $y < $this->height; $y++) {
            preg_match_all('/x{6,}(?: {1,2}x{3,})*/', $this->row($dots, $y), $runs, PREG_OFFSET_CAPTURE);
            foreach ($runs[0] as [$run, $x]) {
                strlen($run) >= $least && ($rows[$y][] = [$x, $x + strlen($run)]);
            }
        }
        $lines = [];
        foreach (self::joined($rows) as [$left, $right, $top, $foot]) {
            $foot - $top < self::THICKEST && ($lines[] = [$left, $right, ($top + $foot) / 2]);
        }

        return $mends ? $this->mended($lines) : $lines;
    }

    /**
     * A thin line falls to pieces on a coarse scan: pieces in one row are one where there is ink between them, and nothing over it.
     *
     * @param list<array{float, float, float}> $lines left, right and from the top, in points
     * @return list<array{float, float, float}>
     */
    private function mended(array $lines): array
    {
        usort($lines, static fn (array $a, array $b) => $a[0] <=> $b[0]);
        $whole = [];
        foreach ($lines as [$left, $right, $y]) {
            foreach ($whole as $index => [$from, $to, $at]) {
                $isNext = abs($at - $y) < self::SAME_ROW && $left >= $to && $left - $to < self::WIDEST_GAP;
                if ($isNext && $this->hasLine($to, $left, ($at + $y) / 2)) {
                    $whole[$index] = [$from, $right, $at];

                    continue 2;
                }
            }
            $whole[] = [$left, $right, $y];
        }

        return array_values($whole);
    }

    /** Whether there is enough ink of a line between two places of a row, and no letters over it. */
    private function hasLine(float $left, float $right, float $y): bool
    {
        $scale = $this->resolution / 72;
        [$from, $wide, $row] = [(int) ($left * $scale), max(1, (int) round(($right - $left) * $scale)), (int) round($y * $scale)];
        // A stroke between two lines, as in a date, may begin over the end of the first.
        [$band, $over] = [$this->ink($row, -2, 2, $from, $wide), $this->ink($row, -10, -7, $from - 3, $wide + 6)];
        $pieces = max(1, (int) round(($right - $left) / self::PIECE));
        foreach ([[$band, self::BROKEN, true], [$over, self::CLEAR, false]] as [$dots, $share, $isAtLeast]) {
            $all = strlen($dots);
            for ($piece = 0; $piece < $pieces; $piece++) {
                $at = intdiv($piece * $all, $pieces);
                $long = intdiv(($piece + 1) * $all, $pieces) - $at;
                if ((substr_count($dots, 'x', $at, $long) >= $share * $long) !== $isAtLeast) {
                    return false;
                }
            }
        }

        return true;
    }

    /** The columns that have ink in some rows, set straight, about a row. */
    private function ink(int $row, int $from, int $to, int $left, int $wide): string
    {
        $left = max(0, $left);
        $ink = str_repeat(' ', $wide);
        for ($off = $from; $off <= $to; $off++) {
            $ink |= str_pad(substr($this->row($this->dots, $row + $off), $left, $wide), $wide);
        }

        return $ink;
    }

    /**
     * Rows of dots that are no letters, set straight.
     *
     * @param list<Word> $words as they lie
     * @return list<array{float, float, float}> left, right and from the top, in points
     */
    public function dotted(array $words): array
    {
        $dots = $this->dots;
        $scale = $this->resolution / 72;
        foreach ($words as $word) {
            [$left, $right] = [max(0, (int) ($word->x * $scale) - 1), min($this->width, (int) ($word->right() * $scale) + 2)];
            for ($y = max(0, (int) ($word->y * $scale)); $y < min($this->height, (int) ($word->bottom() * $scale) + 1); $y++) {
                for ($at = $y * $this->width + $left; $at < $y * $this->width + $right; $at++) {
                    $dots[$at] = ' ';
                }
            }
        }
        $least = (int) (self::SHORTEST_DOTTED * $scale);
        $rows = [];
        for ($y = 0; $y < $this->height; $y++) {
            $row = $this->row($dots, $y);
            foreach (self::DOTTED as $pattern) {
                preg_match_all($pattern, $row, $runs, PREG_OFFSET_CAPTURE);
                foreach ($runs[0] as [$run, $x]) {
                    foreach (self::regular($run) as [$from, $to]) {
                        $to - $from >= $least && ($rows[$y][] = [$x + $from, $x + $to]);
                    }
                }
            }
        }
        $lines = [];
        foreach (self::joined($rows) as [$left, $right, $top, $foot]) {
            if ($foot - $top < self::THICKEST / 2 && $this->isApart($left, $right, $top, $foot)) {
                $lines[] = [$left, $right, ($top + $foot) / 2];
            }
        }

        return $lines;
    }

    /** Whether nothing stands right over and right under a row of dots, as it would where they are parts of letters. */
    private function isApart(float $left, float $right, float $top, float $foot): bool
    {
        $scale = $this->resolution / 72;
        $wide = (int) (($right - $left) * $scale);
        foreach ([(int) ($top * $scale) - 3, (int) ($foot * $scale) + 4] as $y) {
            $ink = substr_count(substr($this->row($this->dots, $y), (int) ($left * $scale), $wide), 'x');
            if ($ink > self::BESIDE * $wide) {
                return false;
            }
        }

        return true;
    }

    /**
     * A picture without rows of dots, as they stand in it.
     *
     * @param string $shades row by row, a byte for each dot
     * @param list<array{float, float, float}> $lines left, right and from the top, in points, set straight
     */
    public function without(string $shades, array $lines): string
    {
        $scale = $this->resolution / 72;
        foreach ($lines as [$left, $right, $top]) {
            for ($x = max(0, (int) ($left * $scale) - 2); $x < min($this->width, (int) ($right * $scale) + 3); $x++) {
                $row = (int) round($top * $scale + $this->slope * ($x - $this->width / 2));
                for ($y = max(0, $row - 4); $y <= min($this->height - 1, $row + 4); $y++) {
                    $shades[$y * $this->width + $x] = "\xff";
                }
            }
        }

        return $shades;
    }

    /**
     * Ink that stands over ink for a good while, as the picture lies: the page laid over itself, shifted down.
     *
     * @return list<array{float, float, float}> top, bottom and from the left, in points
     */
    public function down(): array
    {
        // As bits: "x" and " " differ in two of them, and dots that both are ink stay ink.
        $thick = $this->dots | (substr($this->dots, 1).' ');
        $high = 1;
        foreach ([1, 2, 4, 8, 16] as $shift) {
            $thick &= substr($thick, $shift * $this->width);
            $high += $shift;
        }
        $rows = [];
        $left = intdiv(strlen($thick), $this->width);
        for ($y = 0; $y < $left; $y++) {
            preg_match_all('/x+/', substr($thick, $y * $this->width, $this->width), $runs, PREG_OFFSET_CAPTURE);
            foreach ($runs[0] as [$run, $x]) {
                $rows[$y][] = [$x, $x + strlen($run)];
            }
        }
        $lines = [];
        foreach (self::joined($rows) as [$from, $to, $top, $foot]) {
            $x = ($from + $to) / 2;
            $falls = $this->slope * ($x - $this->width * 36 / $this->resolution);
            $to - $from < 2 * self::THICKEST && ($lines[] = [$top - $falls, $foot + $high * 72 / $this->resolution - $falls, $x]);
        }

        return $lines;
    }

    /**
     * Where in a run dots stand as far from each other as dots do; letters, as of a label beside them, do not.
     *
     * @return list<array{int, int}> beginnings and ends
     */
    private static function regular(string $run): array
    {
        preg_match_all('/x+/', $run, $dots, PREG_OFFSET_CAPTURE);
        $begins = array_column($dots[0], 1);
        $steps = [];
        for ($i = 1, $count = count($begins); $i < $count; $i++) {
            $steps[] = $begins[$i] - $begins[$i - 1];
        }
        $found = [];
        for ($first = 0, $count = count($steps); $first < $count; $first++) {
            $step = $steps[$first];
            $isAlike = static fn (int $at): bool => isset($steps[$at]) &&
                (abs($steps[$at] - $step) < 3 || abs($steps[$at] - 2 * $step) < 3);
            [$last, $odd] = [$first, 0];
            for ($at = $first + 1; $isAlike($at) || ($isAlike($at + 1) && $odd < (1 - self::REGULAR) * ($at - $first)); $at++) {
                $isAlike($at) ? $last = $at : $odd++;
            }
            if ($last - $first + 1 >= self::FEWEST_STEPS) {
                $found[] = [$begins[$first], $begins[$last + 1] + strlen($dots[0][$last + 1][0])];
                $first = $last;
            }
        }

        return $found;
    }

    /** A row of dots of the page set straight. */
    private function row(string $dots, int $y): string
    {
        $strip = abs($this->slope) < self::LEVEL ? $this->width : max(8, (int) (1 / abs($this->slope)));
        $row = '';
        for ($x = 0; $x < $this->width; $x += $strip) {
            $from = $y + (int) round($this->slope * ($x + $strip / 2 - $this->width / 2));
            $row .= $from < 0 || $from >= $this->height
                ? str_repeat(' ', min($strip, $this->width - $x))
                : substr($dots, $from * $this->width + $x, min($strip, $this->width - $x));
        }

        return $row;
    }

    /**
     * Runs of ink in rows that touch each other, as one.
     *
     * @param array<int, list<array{int, int}>> $rows
     * @return list<array{float, float, float, float}> left, right, top and bottom, in points
     */
    private function joined(array $rows): array
    {
        $open = $done = [];
        foreach ($rows as $y => $runs) {
            $now = [];
            foreach ($runs as [$from, $to]) {
                foreach ($open as $key => [$left, $right, $top, $foot]) {
                    if ($y - $foot < 2 && $from < $right && $to > $left) {
                        array_splice($open, $key, 1);
                        $now[] = [min($from, $left), max($to, $right), $top, $y];

                        continue 2;
                    }
                }
                $now[] = [$from, $to, $y, $y];
            }
            array_push($done, ...$open);
            $open = $now;
        }
        $points = 72 / $this->resolution;

        return array_map(static fn (array $one) => array_map(static fn (int $n) => $n * $points, $one), [...$done, ...$open]);
    }
}
