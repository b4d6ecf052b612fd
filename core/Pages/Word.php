<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A word on a page, or a part of one, with its place as the page is read.
 */
final readonly class Word
{
    /** @param  float  $x  points from the left, $y from the top */
    public function __construct(public string $text, public float $x, public float $y, public float $width, public float $height)
    {
    }

    /** Where it ends on the right. */
    public function right(): float
    {
        return $this->x + $this->width;
    }

    /** Where it ends below. */
    public function bottom(): float
    {
        return $this->y + $this->height;
    }
}
