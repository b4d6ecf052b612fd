<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A place on a page in points (1/72 inch), measured from the page's upper left corner as it is read.
 */
final readonly class Rect
{
    /** @throws \InvalidArgumentException when it has no extent */
    public function __construct(public float $x, public float $y, public float $width, public float $height)
    {
        if ($width <= 0 || $height <= 0 || ! is_finite($x + $y + $width + $height)) {
            throw new \InvalidArgumentException('A place on a page has a width and a height.');
        }
    }

    /** @param  array<int, int|float>  $data x, y, width, height */
    public static function fromArray(array $data): self
    {
        return new self((float) $data[0], (float) $data[1], (float) $data[2], (float) $data[3]);
    }

    /** @return array{float, float, float, float} */
    public function toArray(): array
    {
        return [round($this->x, 2), round($this->y, 2), round($this->width, 2), round($this->height, 2)];
    }

    /** Whether the whole of it lies on a page of that size. */
    public function fitsOn(float $pageWidth, float $pageHeight): bool
    {
        return $this->x >= 0 &&
            $this->y >= 0 &&
            $this->x + $this->width <= $pageWidth + 0.01 &&
            $this->y + $this->height <= $pageHeight + 0.01;
    }

    /** Whether the two share any ground. */
    public function overlaps(self $other): bool
    {
        return $this->x < $other->x + $other->width &&
            $other->x < $this->x + $this->width &&
            $this->y < $other->y + $other->height &&
            $other->y < $this->y + $this->height;
    }

    /** The same place moved right and down by points. */
    public function moved(float $right, float $down): self
    {
        return new self($this->x + $right, $this->y + $down, $this->width, $this->height);
    }
}
