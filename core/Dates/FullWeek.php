<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * The working days of a week in which many files close.
 */
final readonly class FullWeek
{
    /**
     * @param int $count how many close in it
     * @param bool $now whether it has begun
     */
    public function __construct(public float $x, public float $width, public int $count, public bool $now)
    {
    }
}
