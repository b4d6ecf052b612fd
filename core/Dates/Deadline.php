<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * A computed day something is due, with the sentence that tells how it was computed.
 */
final readonly class Deadline
{
    /** @param  string|null  $cutOff time of day in the office's zone, "17:00" */
    public function __construct(
        public string $name,
        public string $label,
        public LocalDate $due,
        public ?string $cutOff,
        public string $because,
    ) {
    }
}
