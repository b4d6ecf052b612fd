<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\InkDots;
use Unanimus\Pages\Rect;
use Unanimus\Pages\ToolFailed;

/**
 * Lays a scanned page over the printed page of its form and looks where somebody has written: what is dark there and is not
 * print. Neither reads it; an empty place is told from one with ink.
 */
final class FormInk
{
    /** Dots an inch at which both are compared. */
    private const DOTS = 100;

    /** How much darker than paper ink is. */
    private const INK = 0.72;

    /** Degrees and parts by which a scan may lie otherwise than its form. */
    private const ANGLES = [0.0, 0.4, -0.4, 0.8, -0.8, 1.2, -1.2, 1.6, -1.6, 2.0, -2.0];

    private const SCALES = [1.0, 0.985, 1.015, 0.97, 1.03];

    /** Dots that a scan may lie beside its form. */
    private const BESIDE = 48;

    /** Part of a place that is dark where something is written there. */
    private const WRITTEN = 0.006;

    /** Part of the form's print that must be met again, so that the scan is a page of it. */
    private const MET = 0.4;

    /** Part at which no other way it could lie is looked at. */
    private const SURELY_MET = 0.75;

    /** Ways it could lie, by a rough look, that are looked at closely. */
    private const SECOND_LOOKS = 6;

    /**
     * @param array<int, true> $print dots of the form's print, and those around it
     * @param array{float, float, float, float, float} $lies cosine, sine (with the scale in them), and how far it lies beside; and the
     *                                                       noise
     */
    private function __construct(
        private readonly array $print,
        private readonly string $scan,
        private readonly int $width,
        private readonly int $height,
        private readonly array $lies,
        private readonly string $printed,
    ) {
    }

    /**
     * A page of a scan over a page of a form; null when it does not lie on it.
     *
     * @param int $page of the scan, from 1
     * @param int $formPage of the form, from 1
     *
     * @throws ToolFailed when one cannot be drawn
     */
    public static function of(Form $form, int $formPage, string $pdf, int $page): ?self
    {
        return self::over($form->pdf, $formPage, $pdf, $page);
    }

    /**
     * A page of a scan over the same page as it was printed; null when it does not lie on it.
     *
     * @param string $printed path of the PDF that was printed
     * @param int $printedPage from 1
     * @param int $page of the scan, from 1
     *
     * @throws ToolFailed when one cannot be drawn
     */
    public static function over(string $printed, int $printedPage, string $pdf, int $page): ?self
    {
        $print = InkDots::of($printed, $printedPage, self::DOTS, self::INK);
        $scan = InkDots::of($pdf, $page, self::DOTS, self::INK, $print)->dots;
        [$width, $height, $points] = [$print->width, $print->height, $print->points()];
        $lies = $points === [] ? null : self::laid($points, $scan, $width, $height);
        if ($lies === null) {
            return null;
        }
        $near = [];
        foreach ($points as [$x, $y]) {
            for ($dy = -3; $dy <= 3; $dy++) {
                for ($dx = -3; $dx <= 3; $dx++) {
                    $near[($y + $dy) * $width + $x + $dx] = true;
                }
            }
        }
        $self = new self($near, $scan, $width, $height, [...$lies, 0.0], $print->dots);

        return new self($near, $scan, $width, $height, [...$lies, $self->noise()], $print->dots);
    }

    /** Whether something is written at a place of the form, in points from its upper left. */
    public function isWritten(Rect $place): bool
    {
        return $this->dark($place) > max(self::WRITTEN, $this->lies[4] * 3);
    }

    /** The part of a place that is dark and is not print. */
    public function dark(Rect $place): float
    {
        $by = self::DOTS / 72;
        [$cos, $sin, $beside, $below] = $this->lies;
        $dark = $all = 0;
        for ($y = (int) ($place->y * $by); $y < (int) (($place->y + $place->height) * $by); $y++) {
            for ($x = (int) ($place->x * $by); $x < (int) (($place->x + $place->width) * $by); $x++) {
                if (isset($this->print[$y * $this->width + $x])) {
                    continue;
                }
                $all++;
                [$cx, $cy] = [$x - $this->width / 2, $y - $this->height / 2];
                $sx = (int) round($cos * $cx - $sin * $cy + $this->width / 2 + $beside);
                $sy = (int) round($sin * $cx + $cos * $cy + $this->height / 2 + $below);
                $dark += self::isDark($this->scan, $sx, $sy, $this->width, $this->height) ? 1 : 0;
            }
        }

        return $all === 0 ? 0.0 : $dark / $all;
    }

    /**
     * The scan set straight on the print, dot by dot of the print.
     *
     * @return array{width: int, height: int, print: string, ink: string, beyond: string, noise: float} rows of dots, "x" for ink:
     *                                                                                                  of the print, of the scan, and of
     *                                                                                                  what is ink there and not near print
     */
    public function laidOut(): array
    {
        [$cos, $sin, $beside, $below] = $this->lies;
        $ink = str_repeat(' ', $this->width * $this->height);
        $beyond = $ink;
        for ($y = 0; $y < $this->height; $y++) {
            $cy = $y - $this->height / 2;
            for ($x = 0; $x < $this->width; $x++) {
                $cx = $x - $this->width / 2;
                $sx = (int) round($cos * $cx - $sin * $cy + $this->width / 2 + $beside);
                $sy = (int) round($sin * $cx + $cos * $cy + $this->height / 2 + $below);
                if (self::isDark($this->scan, $sx, $sy, $this->width, $this->height)) {
                    $at = $y * $this->width + $x;
                    $ink[$at] = 'x';
                    isset($this->print[$at]) || ($beyond[$at] = 'x');
                }
            }
        }

        return ['width' => $this->width, 'height' => $this->height, 'print' => $this->printed, 'ink' => $ink, 'beyond' => $beyond,
            'noise' => $this->lies[4]];
    }

    /** Points of a page for each of its dots. */
    public static function points(): float
    {
        return 72 / self::DOTS;
    }

    /** What is dark on a page that nobody has written on: dust, and print that shines through; of strips where forms have none. */
    private function noise(): float
    {
        $strips = [];
        for ($y = 40.0; $y < $this->height * 72 / self::DOTS - 60; $y += 60) {
            $strips[] = $this->dark(new Rect(20, $y, 30, 40));
        }
        sort($strips);

        return $strips === [] ? 0.0 : $strips[intdiv(count($strips), 2)];
    }

    /** Ink has company; a dot by itself is dust. */
    private static function isDark(string $dots, int $x, int $y, int $width, int $height): bool
    {
        if ($x < 1 || $y < 1 || $x >= $width - 1 || $y >= $height - 1 || $dots[$y * $width + $x] !== 'x') {
            return false;
        }
        $company = 0;
        foreach ([-$width - 1, -$width, -$width + 1, -1, 1, $width - 1, $width, $width + 1] as $to) {
            $company += $dots[$y * $width + $x + $to] === 'x' ? 1 : 0;
        }

        return $company >= 2;
    }

    /**
     * How the scan lies on the form: the angle, scale and shift at which most of the form's print is met again, looked for
     * roughly and then closely.
     *
     * @param non-empty-list<array{int, int}> $points
     * @return array{float, float, float, float}|null
     */
    private static function laid(array $points, string $scan, int $width, int $height): ?array
    {
        $step = max(1, intdiv(count($points), 500));
        $some = [];
        for ($index = 0; $index < count($points); $index += $step) {
            $some[] = [$points[$index][0] - $width / 2, $points[$index][1] - $height / 2];
        }
        $thick = self::thick($scan, $width, $height);
        $rough = [];
        foreach (self::SCALES as $scale) {
            foreach (self::ANGLES as $angle) {
                [$cos, $sin] = [$scale * cos(deg2rad($angle)), $scale * sin(deg2rad($angle))];
                $found = self::shifted($some, $thick, $width, $height, $cos, $sin, 0, 0, self::BESIDE, 8);
                $rough[] = [$found[0], $cos, $sin, $found[1], $found[2]];
            }
        }
        // A rough look takes one row of letters for the next: what looks best closely may have looked second best.
        usort($rough, static fn (array $a, array $b) => $b[0] <=> $a[0]);
        $best = [-1.0, 1.0, 0.0, 0, 0];
        foreach (array_slice($rough, 0, self::SECOND_LOOKS) as $about) {
            $found = self::closer($about, $some, $thick, $scan, $width, $height);
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
     * @param non-empty-list<array{float|int, float|int}> $some
     * @return array{float, float, float, int, int}
     */
    private static function closer(array $best, array $some, string $thick, string $scan, int $width, int $height): array
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
                    $found = self::shifted($some, $dots, $width, $height, $cos, $sin, $about[3], $about[4], $far, $step);
                    $found[0] > $best[0] && ($best = [$found[0], $cos, $sin, $found[1], $found[2]]);
                }
            }
        }

        return $best;
    }

    /**
     * @param list<array{float, float}> $points about the middle
     * @return array{float, int, int} the part of them that is met, and the shift at which it is most
     */
    private static function shifted(
        array $points,
        string $scan,
        int $width,
        int $height,
        float $cos,
        float $sin,
        int $fromX,
        int $fromY,
        int $far,
        int $step,
    ): array {
        $at = [];
        foreach ($points as [$x, $y]) {
            $at[] = [(int) round($cos * $x - $sin * $y + $width / 2), (int) round($sin * $x + $cos * $y + $height / 2)];
        }
        $best = [-1, 0, 0];
        for ($dy = $fromY - $far; $dy <= $fromY + $far; $dy += $step) {
            for ($dx = $fromX - $far; $dx <= $fromX + $far; $dx += $step) {
                $met = 0;
                foreach ($at as [$x, $y]) {
                    $px = $x + $dx;
                    $py = $y + $dy;
                    if ($px >= 0 && $py >= 0 && $px < $width && $py < $height && $scan[$py * $width + $px] === 'x') {
                        $met++;
                    }
                }
                $met > $best[0] && ($best = [$met, $dx, $dy]);
            }
        }

        return [$best[0] / count($points), $best[1], $best[2]];
    }

    /** The same with every dot as broad as a rough look is exact. */
    private static function thick(string $dots, int $width, int $height): string
    {
        $thick = str_repeat(' ', $width * $height);
        for ($y = 4; $y < $height - 4; $y++) {
            for ($at = strpos($dots, 'x', $y * $width); $at !== false && $at < ($y + 1) * $width; $at = strpos($dots, 'x', $at + 1)) {
                for ($dy = -4; $dy <= 4; $dy += 2) {
                    for ($dx = -4; $dx <= 4; $dx++) {
                        $thick[$at + $dy * $width + $dx] = 'x';
                    }
                }
            }
        }

        return $thick;
    }
}
