<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * A computed day something is due, with the sentence that tells how it was computed.
 */
final readonly class Deadline
{
    /** How many days ahead a deadline counts as due. */
    private const NEAR = 3;

    /** @param  string|null  $cutOff time of day in the office's zone, "17:00" */
    public function __construct(
        public string $name,
        public string $label,
        public LocalDate $due,
        public ?string $cutOff,
        public string $because,
    ) {
    }

    /**
     * Where it stands on a day: done, late, due (within three days) or ahead.
     *
     * @param list<string> $done names of deadlines that are done
     * @return 'done'|'late'|'due'|'ahead'
     */
    public function standing(array $done, LocalDate $today): string
    {
        $left = $today->daysUntil($this->due);

        return match (true) {
            in_array($this->name, $done, true) => 'done',
            $left < 0 => 'late',
            $left <= self::NEAR => 'due',
            default => 'ahead',
        };
    }
}
