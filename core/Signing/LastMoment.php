<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Dates\LocalDate;
use Unanimus\Dates\TimeOfDay;

/** Until when a round can be signed: a day at its office, and the hour on it; without an hour until the day is over. */
final readonly class LastMoment
{
    public function __construct(public LocalDate $day, public ?TimeOfDay $at = null)
    {
    }

    /** Whether it has passed at an instant, read on the clocks of that zone. */
    public function isPast(\DateTimeInterface $now, \DateTimeZone $zone): bool
    {
        $today = LocalDate::at($now, $zone);
        if ($this->at === null || ! $today->is($this->day)) {
            return $this->day->isBefore($today);
        }
        $local = \DateTimeImmutable::createFromInterface($now)->setTimezone($zone);

        return (int) $local->format('G') * 60 + (int) $local->format('i') >= $this->at->minutes;
    }

    /** As read: "Fri, Dec 4, until 5:00 pm". @param  int|null  $year  the running one, which is not said */
    public function short(?int $year = null): string
    {
        return $this->day->short($year).($this->at === null ? '' : ", until {$this->at->short()}");
    }
}
