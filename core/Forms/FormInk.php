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

    /** Part of a place that is dark where something is written there. */
    private const WRITTEN = 0.006;

    /**
     * @param string $print dots of the form's print, and those around it
     * @param string $ink the scan's dots without dust, and without its outermost ones
     * @param array{float, float, float, float, float} $lies cosine, sine (with the scale in them), and how far it lies beside; and the
     *                                                       noise
     */
    private function __construct(
        private readonly string $print,
        private readonly string $ink,
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
        $lies = $points === [] ? null : ScanFit::of($points, $scan, $width, $height);
        if ($lies === null) {
            return null;
        }
        $near = InkDots::broad($print->dots, $width, range(-3, 3), range(-3, 3));
        $ink = self::ink($scan, $width, $height);
        $self = new self($near, $ink, $width, $height, [...$lies, 0.0], $print->dots);

        return new self($near, $ink, $width, $height, [...$lies, $self->noise()], $print->dots);
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
        [$middleX, $middleY] = [$this->width / 2, $this->height / 2];
        $dark = $all = 0;
        $right = min($this->width, (int) (($place->x + $place->width) * $by));
        $foot = min($this->height, (int) (($place->y + $place->height) * $by));
        for ($y = max(0, (int) ($place->y * $by)); $y < $foot; $y++) {
            $alongX = $middleX + $beside + 0.5 - $sin * ($y - $middleY) - $cos * $middleX;
            $alongY = $middleY + $below + 0.5 + $cos * ($y - $middleY) - $sin * $middleX;
            for ($x = max(0, (int) ($place->x * $by)); $x < $right; $x++) {
                if ($this->print[$y * $this->width + $x] === 'x') {
                    continue;
                }
                $all++;
                $dark += $this->isInk((int) ($alongX + $cos * $x), (int) ($alongY + $sin * $x)) ? 1 : 0;
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
        [$middleX, $middleY] = [$this->width / 2, $this->height / 2];
        [$dots, $width, $height] = [$this->ink, $this->width, $this->height];
        $ink = str_repeat(' ', $width * $height);
        $beyond = $ink;
        for ($y = 0; $y < $height; $y++) {
            $alongX = $middleX + $beside + 0.5 - $sin * ($y - $middleY) - $cos * $middleX;
            $alongY = $middleY + $below + 0.5 + $cos * ($y - $middleY) - $sin * $middleX;
            for ($x = 0; $x < $width; $x++) {
                // A million dots a page: as isInk, without a call for each.
                $sx = (int) ($alongX + $cos * $x);
                $sy = (int) ($alongY + $sin * $x);
                if ($sx >= 0 && $sy >= 0 && $sx < $width && $sy < $height && $dots[$sy * $width + $sx] === 'x') {
                    $at = $y * $width + $x;
                    $ink[$at] = 'x';
                    $this->print[$at] === 'x' || ($beyond[$at] = 'x');
                }
            }
        }

        return ['width' => $width, 'height' => $height, 'print' => $this->printed, 'ink' => $ink, 'beyond' => $beyond,
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

    private function isInk(int $x, int $y): bool
    {
        return $x >= 0 && $y >= 0 && $x < $this->width && $y < $this->height && $this->ink[$y * $this->width + $x] === 'x';
    }

    /** Ink has company; a dot by itself is dust, and one at the edge is the scanner's. */
    private static function ink(string $dots, int $width, int $height): string
    {
        $ink = str_repeat(' ', $width * $height);
        $around = [-$width - 1, -$width, -$width + 1, -1, 1, $width - 1, $width, $width + 1];
        $end = ($height - 1) * $width;
        for ($at = strpos($dots, 'x', $width); $at !== false && $at < $end; $at = strpos($dots, 'x', $at + 1)) {
            $x = $at % $width;
            if ($x < 1 || $x >= $width - 1) {
                continue;
            }
            $company = 0;
            foreach ($around as $to) {
                $company += $dots[$at + $to] === 'x' ? 1 : 0;
            }
            $company >= 2 && ($ink[$at] = 'x');
        }

        return $ink;
    }
}
