<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\InkDots;

/**
 * Finds how a scan lies on the print of its page: by how much it is turned, larger and beside.
 *
 * @internal
 */
final class ScanFit
{
    /** Degrees and parts by which a scan may lie otherwise than its form. */
    private const ANGLES = [0.0, 0.4, -0.4, 0.8, -0.8, 1.2, -1.2, 1.6, -1.6, 2.0, -2.0];

    private const SCALES = [1.0, 0.985, 1.015, 0.97, 1.03];

    /** Dots that a scan may lie beside its form. */
    private const BESIDE = 48;

    /** Part of the form's print that must be met again, so that the scan is a page of it. */
    private const MET = 0.4;

    /** Part at which no other way it could lie is looked at. */
    private const SURELY_MET = 0.75;

    /** Ways it could lie, by a rough look, that are looked at closely. */
    private const SECOND_LOOKS = 6;

    /** Points of the print looked at before it is asked whether a shift can still be the best. */
    private const AT_ONCE = 40;

    /** @param  non-empty-list<array{float, float}>  $points  of the print, about its middle */
    private function __construct(
        private readonly array $points,
        private readonly int $width,
        private readonly int $height,
        private readonly int $margin,
    ) {
    }

    /**
     * How the scan lies on the form: the angle, scale and shift at which most of the form's print is met again, looked for
     * roughly and then closely.
     *
     * @param non-empty-list<array{int, int}> $points
     * @return array{float, float, float, float}|null
     */
    public static function of(array $points, string $scan, int $width, int $height): ?array
    {
        $step = max(1, intdiv(count($points), 500));
        $some = [];
        for ($index = 0; $index < count($points); $index += $step) {
            $some[] = [$points[$index][0] - $width / 2, $points[$index][1] - $height / 2];
        }
        // More than turn, scale and shift together can move a point of the print off the page.
        $margin = intdiv(max($width, $height), 10) + 100;
        $look = new self($some, $width, $height, $margin);
        $thick = $look->inMargin(self::thick($scan, $width));
        $scan = $look->inMargin($scan);
        $rough = [];
        foreach (self::SCALES as $scale) {
            foreach (self::ANGLES as $angle) {
                [$cos, $sin] = [$scale * cos(deg2rad($angle)), $scale * sin(deg2rad($angle))];
                $found = $look->shifted($thick, $cos, $sin, [0, 0], self::BESIDE, 8);
                $rough[] = [$found[0], $cos, $sin, $found[1], $found[2]];
            }
        }
        // A rough look takes one row of letters for the next: what looks best closely may have looked second best.
        usort($rough, static fn (array $a, array $b) => $b[0] <=> $a[0]);
        $best = [-1.0, 1.0, 0.0, 0, 0];
        foreach (array_slice($rough, 0, self::SECOND_LOOKS) as $about) {
            $found = $look->closer($about, $thick, $scan);
            $found[0] > $best[0] && ($best = $found);
            if ($best[0] > self::SURELY_MET) {
                break;
            }
        }

        return $best[0] < self::MET ? null : [$best[1], $best[2], (float) $best[3], (float) $best[4]];
    }

    /**
     * Closer and closer, each time about what was best.
     *
     * @param array{float, float, float, int, int} $best
     * @return array{float, float, float, int, int}
     */
    private function closer(array $best, string $thick, string $scan): array
    {
        $looks = [[0.2, 0.008, 9, 3, $thick], [0.1, 0.004, 5, 1, $scan], [0.05, 0.002, 2, 1, $scan]];
        foreach ($looks as [$turn, $grow, $far, $step, $dots]) {
            $about = $best;
            $best[0] = -1.0;
            foreach ([-$turn, 0.0, $turn] as $more) {
                foreach ([1 - $grow, 1.0, 1 + $grow] as $larger) {
                    [$turnCos, $turnSin] = [$larger * cos(deg2rad($more)), $larger * sin(deg2rad($more))];
                    $cos = $about[1] * $turnCos - $about[2] * $turnSin;
                    $sin = $about[2] * $turnCos + $about[1] * $turnSin;
                    $found = $this->shifted($dots, $cos, $sin, [$about[3], $about[4]], $far, $step, $best[0]);
                    $found[0] > $best[0] && ($best = [$found[0], $cos, $sin, $found[1], $found[2]]);
                }
            }
        }

        return $best;
    }

    /**
     * @param string $dots of the scan, within their margin
     * @param array{int, int} $from the shift about which is looked
     * @param float $more than which part is of use; less is not looked for
     * @return array{float, int, int} the part of the points that is met, and the shift at which it is most
     */
    private function shifted(string $dots, float $cos, float $sin, array $from, int $far, int $step, float $more = -1.0): array
    {
        $across = $this->width + 2 * $this->margin;
        $at = [];
        foreach ($this->points as [$x, $y]) {
            $row = (int) round($sin * $x + $cos * $y + $this->height / 2) + $this->margin;
            $at[] = $row * $across + (int) round($cos * $x - $sin * $y + $this->width / 2) + $this->margin;
        }
        $parts = array_chunk($at, self::AT_ONCE);
        $best = [(int) round($more * count($at)), 0, 0];
        for ($dy = $from[1] - $far; $dy <= $from[1] + $far; $dy += $step) {
            for ($dx = $from[0] - $far; $dx <= $from[0] + $far; $dx += $step) {
                $shift = $dy * $across + $dx;
                [$met, $left] = [0, count($at)];
                foreach ($parts as $part) {
                    foreach ($part as $dot) {
                        $dots[$dot + $shift] === 'x' && $met++;
                    }
                    $left -= count($part);
                    if ($met + $left <= $best[0]) {
                        break;
                    }
                }
                $met > $best[0] && ($best = [$met, $dx, $dy]);
            }
        }

        return [$best[0] / count($at), $best[1], $best[2]];
    }

    /** Rows of dots with empty ones on all sides. */
    private function inMargin(string $dots): string
    {
        $side = str_repeat(' ', $this->margin);
        $empty = str_repeat(' ', $this->margin * ($this->width + 2 * $this->margin));

        return $empty.$side.implode($side.$side, str_split($dots, max(1, $this->width))).$side.$empty;
    }

    /** Dots each as broad as a rough look is exact. */
    private static function thick(string $dots, int $width): string
    {
        $edge = str_repeat(' ', 4 * $width);

        return InkDots::broad($edge.substr($dots, 4 * $width, -4 * $width).$edge, $width, range(-4, 4), [-4, -2, 2, 4]);
    }
}
