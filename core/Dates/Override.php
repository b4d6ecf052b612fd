<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * A day that was set by hand in place of the computed one, with the reason it was given.
 */
final readonly class Override
{
    public function __construct(public LocalDate $day, public string $reason)
    {
    }
}
