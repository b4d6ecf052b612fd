<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * What speaks against a day: told, never blocked.
 */
enum Conflict: string
{
    case Weekend = 'weekend';
    case Holiday = 'holiday';
    case Past = 'past';

    /** @return list<self> what speaks against the day */
    public static function of(LocalDate $day, BusinessCalendar $calendar, LocalDate $today): array
    {
        $found = [];
        $day->weekday() > 5 && ($found[] = self::Weekend);
        $calendar->holiday($day) !== null && ($found[] = self::Holiday);
        $day->isBefore($today) && ($found[] = self::Past);

        return $found;
    }

    /** In words, about that day: "a Saturday", "Christmas Day", "before today". */
    public function about(LocalDate $day, BusinessCalendar $calendar): string
    {
        return match ($this) {
            self::Weekend => $day->weekday() === 6 ? 'a Saturday' : 'a Sunday',
            self::Holiday => (string) $calendar->holiday($day),
            self::Past => 'before today',
        };
    }
}
