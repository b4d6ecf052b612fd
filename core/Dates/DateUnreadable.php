<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/** A text that is no day of the calendar. */
final class DateUnreadable extends \InvalidArgumentException
{
    /** The calendar has no such day. */
    public static function noSuchDay(string $text): self
    {
        return new self("There is no such date: {$text}.");
    }

    /** What a person typed is no day. */
    public static function typed(string $text): self
    {
        return new self("“{$text}” could not be read as a date. Write it as 5/14, May 14, or 5/14/2026.");
    }

    /** The day of the week that was written is not the one that day has. */
    public static function anotherWeekday(string $typed, LocalDate $day): self
    {
        return new self("“{$typed}” cannot be: {$day->long()} is a {$day->weekdayName()}. Check the day.");
    }
}
