<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * A time of day, by the minute, without a zone; 24:00 is the end of the day (ISO 8601-1:2019, 5.3.1.1 allows it again).
 */
final readonly class TimeOfDay
{
    private function __construct(public int $minutes)
    {
    }

    /**
     * From its stored form "17:00".
     *
     * @throws RuleUnreadable when it is none
     */
    public static function of(string $stored): self
    {
        if (preg_match('/^([01]\d|2[0-4]):([0-5]\d)$/', $stored, $m) !== 1 || (int) $m[1] * 60 + (int) $m[2] > 1440) {
            throw new RuleUnreadable("“{$stored}” is no time of day such as 17:00.");
        }

        return new self((int) $m[1] * 60 + (int) $m[2]);
    }

    /** As Americans read it: "5:00 pm", "noon", "midnight". */
    public function short(): string
    {
        return match ($this->minutes) {
            0, 1440 => 'midnight',
            720 => 'noon',
            default => $this->clock(),
        };
    }

    /** As a form prints it, always in figures: "12:00 pm". */
    public function clock(): string
    {
        $hour = intdiv($this->minutes, 60) % 24;

        return sprintf('%d:%02d %s', (($hour + 11) % 12) + 1, $this->minutes % 60, $hour < 12 ? 'am' : 'pm');
    }

    /** As stored. */
    public function stored(): string
    {
        return sprintf('%02d:%02d', intdiv($this->minutes, 60), $this->minutes % 60);
    }

    /** Whether it is later than the other. */
    public function isAfter(self $other): bool
    {
        return $this->minutes > $other->minutes;
    }
}
