<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * Which days are business days: Monday to Friday, less federal holidays as observed and the office's own.
 */
final class BusinessCalendar
{
    /** @var array<int, array<string, string>> */
    private array $federal = [];

    /**
     * @param array<string, string> $officeHolidays day "2026-12-24" to its name
     * @param bool $keepsFederal whether the federal holidays count too
     */
    public function __construct(private readonly array $officeHolidays = [], private readonly bool $keepsFederal = true)
    {
    }

    /** The holiday's name, or null when the day is none. */
    public function holiday(LocalDate $date): ?string
    {
        $this->federal[$date->year()] ??= $this->keepsFederal ? FederalHolidays::in($date->year()) : [];

        return $this->officeHolidays[$date->iso()] ?? ($this->federal[$date->year()][$date->iso()] ?? null);
    }

    /** Whether business is done on that day. */
    public function isBusinessDay(LocalDate $date): bool
    {
        return $date->weekday() <= 5 && $this->holiday($date) === null;
    }

    /** The day itself if it is a business day, else the next one in that direction (1 later, -1 earlier). */
    public function roll(LocalDate $date, int $direction = 1): LocalDate
    {
        while (! $this->isBusinessDay($date)) {
            $date = $date->plusDays($direction);
        }

        return $date;
    }

    /** The day so many business days after (or before, when negative) the given one, which itself is not counted. */
    public function plusBusinessDays(LocalDate $date, int $days): LocalDate
    {
        return $this->countBusinessDays($date, $days)[0];
    }

    /**
     * The same, with the holidays that would have counted and did not.
     *
     * @param bool $saturdays whether Saturdays count too
     * @return array{LocalDate, list<LocalDate>}
     */
    public function countBusinessDays(LocalDate $date, int $days, bool $saturdays = false): array
    {
        $step = $days < 0 ? -1 : 1;
        $skipped = [];
        for ($left = abs($days); $left > 0;) {
            $date = $date->plusDays($step);
            $isWeekday = $date->weekday() <= ($saturdays ? 6 : 5);
            $isHoliday = $isWeekday && $this->holiday($date) !== null;
            $isHoliday && ($skipped[] = $date);
            $left -= $isWeekday && ! $isHoliday ? 1 : 0;
        }

        return [$date, $skipped];
    }
}
