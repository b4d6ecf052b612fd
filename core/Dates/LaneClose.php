<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * Where a lane closes.
 */
final readonly class LaneClose
{
    /** @param  bool  $late  whether its day is over */
    public function __construct(public float $x, public string $label, public bool $late)
    {
    }
}
