<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\InkDots;
use Unanimus\Pages\Rect;
use Unanimus\Pages\ToolFailed;

/**
 * Whether somebody has written on a line of a page that no form is known for: what is dark right above it and is neither the line
 * itself nor dust.
 */
final class LineInk
{
    /** Dots an inch. */
    private const DOTS = 100;

    /** How much darker than paper ink is. */
    private const INK = 0.72;

    /** How far over a line one writes, and how near to it only the line is. */
    private const HIGH = 17.0;

    private const LINE = 2.5;

    /** A run of so many dots is a ruled line, also where it lies askew. */
    private const RULED = 28;

    /** Dots of ink for each point of the line's width, from which it is written on. */
    private const WRITTEN = 0.28;

    private function __construct(private readonly InkDots $dots)
    {
    }

    /** @throws ToolFailed when the page cannot be drawn */
    public static function of(string $pdf, int $page): self
    {
        return new self(InkDots::of($pdf, $page, self::DOTS, self::INK));
    }

    /** Whether something is written at a place, in points from the page's upper left; its foot is the line. */
    public function isWritten(Rect $place): bool
    {
        $by = self::DOTS / 72;
        [$left, $right] = [(int) (($place->x + 3) * $by), (int) (($place->x + $place->width - 3) * $by)];
        $foot = $place->y + $place->height;
        [$top, $bottom] = [(int) (($foot - self::HIGH) * $by), (int) (($foot - self::LINE) * $by)];
        $ink = 0;
        for ($y = max(1, $top); $y < min($bottom, $this->dots->height - 1); $y++) {
            $width = max(0, min($right, $this->dots->width) - max(0, $left));
            $row = substr($this->dots->dots, $y * $this->dots->width + max(0, $left), $width);
            $row = (string) preg_replace('/x{'.self::RULED.',}/', '', $row);
            // Ink has company; a dot by itself is dust.
            $ink += strlen((string) preg_replace('/(?<!x)x(?!x)| /', '', $row));
        }

        return $ink > self::WRITTEN * $place->width;
    }
}
