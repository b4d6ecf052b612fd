<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * What stands about a line drawn across a page, and tells whether it is there to be written on.
 *
 * @internal to its area
 */
final readonly class RuledLines
{
    /**
     * @param list<Word> $words
     * @param list<array{float, float, float}> $down top, bottom, and how far from the left
     */
    public function __construct(private array $words, private array $down)
    {
    }

    /**
     * Whether a wall goes down from it, as from the upper edge of a cell of which, on a scan, not all was found.
     *
     * @param array{float, float, float} $line
     */
    public function isTopOfCell(array $line): bool
    {
        [$x1, $x2, $y] = $line;
        foreach ($this->down as [$top, $bottom, $x]) {
            if (abs($top - $y) < 4 && $bottom > $y + 12 && $x > $x1 - 4 && $x < $x2 + 4) {
                return true;
            }
        }

        return false;
    }

    /** Whether it is drawn right under words. */
    public function underlines(float $x1, float $x2, float $y): bool
    {
        $covered = 0.0;
        foreach ($this->words as $word) {
            if ($word->bottom() > $y - 2.5 && $word->y < $y - 3 && $word->bottom() < $y + $word->height * 0.45) {
                $covered += max(0.0, min($x2, $word->right()) - max($x1, $word->x));
            }
        }

        return $covered > 0.35 * ($x2 - $x1);
    }

    /**
     * Whether a line across the page is one of several under each other, as one rules them to be written on.
     *
     * @param array{float, float, float} $line
     * @param list<array{float, float, float}> $lines
     */
    public function inStack(array $line, array $lines): bool
    {
        foreach ($lines as $other) {
            $apart = abs($other[2] - $line[2]);
            if (
                $apart > 10 &&
                $apart < 34 &&
                abs($other[1] - $line[1]) < 4 &&
                ! $this->between(min($other[2], $line[2]), max($other[2], $line[2]), $line[0], $line[1])
            ) {
                return true;
            }
        }

        return false;
    }

    private function between(float $top, float $bottom, float $x1, float $x2): bool
    {
        foreach ($this->words as $word) {
            if ($word->y + $word->height / 2 > $top && $word->y + $word->height / 2 < $bottom && $word->x < $x2 && $word->right() > $x1) {
                return true;
            }
        }

        return false;
    }

    /** @param  array{float, float, float}  $line  Small words close under it, beginning where it begins. */
    public function hasCaption(array $line): bool
    {
        $under = array_filter(
            $this->words,
            static fn (Word $word) => $word->y >= $line[2] - 1.5 &&
                $word->y < $line[2] + 6 &&
                $word->x < $line[1] &&
                $word->right() > $line[0],
        );
        $covered = array_sum(array_map(static fn (Word $word) => $word->width, $under));

        return $under !== [] && $covered < 0.5 * ($line[1] - $line[0]);
    }

    /** @param  array{float, float, float}  $line  Words on its level that it goes on from. */
    public function hasWordsBefore(array $line): bool
    {
        foreach ($this->words as $word) {
            if (
                $word->right() <= $line[0] + 2.5 &&
                $word->y + $word->height / 2 > $line[2] - 13 &&
                $word->y + $word->height / 2 < $line[2] + 3
            ) {
                return true;
            }
        }

        return false;
    }

    /** How far down the nearest words over it reach. */
    public function nextAbove(float $x1, float $x2, float $y): float
    {
        $above = 0.0;
        foreach ($this->words as $word) {
            if ($word->bottom() < $y - 4 && $word->x < $x2 - 1 && $word->right() > $x1 + 1) {
                $above = max($above, $word->bottom());
            }
        }

        return $above;
    }
}
