<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * A deadline on a lane.
 */
final readonly class LaneFlag
{
    /** @param  string  $state  as {@see Deadline::standing} says it */
    public function __construct(public float $x, public string $state, public string $title)
    {
    }
}
