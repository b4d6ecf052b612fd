<?php

declare(strict_types=1);

namespace Unanimus\Reports;

use Unanimus\Dates\LocalDate;

/** The days a report is of, with the days before it that it is held against. */
final readonly class Period
{
    /** Periods with a name, and how they are called. */
    public const NAMED = [
        'year' => 'this year',
        'last-year' => 'last year',
        'quarter' => 'this quarter',
        'last-quarter' => 'last quarter',
        'month' => 'this month',
        'last-month' => 'last month',
    ];

    private function __construct(public LocalDate $from, public LocalDate $to, public string $label)
    {
    }

    /** A period with a name, as it lies on a day; another name is this year. */
    public static function named(string $name, LocalDate $today): self
    {
        $year = $today->year();
        $quarter = intdiv($today->month() - 1, 3);

        return match ($name) {
            'last-year' => self::months($year - 1, 1, 12, (string) ($year - 1)),
            'quarter' => self::months($year, 3 * $quarter + 1, 3, 'quarter '.($quarter + 1).' of '.$year),
            'last-quarter' => $quarter === 0
                ? self::months($year - 1, 10, 3, 'quarter 4 of '.($year - 1))
                : self::months($year, 3 * $quarter - 2, 3, "quarter {$quarter} of {$year}"),
            'month' => self::months($year, $today->month(), 1),
            'last-month' => $today->month() === 1 ? self::months($year - 1, 12, 1) : self::months($year, $today->month() - 1, 1),
            default => self::months($year, 1, 12, (string) $year),
        };
    }

    /** From one day to another; put the wrong way round they are turned. */
    public static function between(LocalDate $from, LocalDate $to): self
    {
        [$first, $last] = $to->isBefore($from) ? [$to, $from] : [$from, $to];

        return new self($first, $last, "{$first->long()} to {$last->long()}");
    }

    /** The same months a year before, of a period under way up to the same day; of other days as many before it. */
    public function before(LocalDate $today): self
    {
        $whole = $this->from->day() === 1 && $this->to->plusDays(1)->day() === 1;
        if (! $whole) {
            $days = $this->from->daysUntil($this->to) + 1;

            return self::between($this->from->plusDays(-$days), $this->from->plusDays(-1));
        }

        $whole = self::months($this->from->year() - 1, $this->from->month(), count($this->monthsIn()), 'a year before');
        if ($today->isBefore($this->from) || ! $today->isBefore($this->to)) {
            return $whole;
        }
        $day = $today->month() === 2 && $today->day() === 29 ? 28 : $today->day();

        return new self($whole->from, LocalDate::ymd($today->year() - 1, $today->month(), $day), 'a year before, up to the same day');
    }

    /** @return list<string> the months in it, as "2026-11" */
    public function monthsIn(): array
    {
        $months = [];
        [$year, $month] = [$this->from->year(), $this->from->month()];
        while (count($months) < 240 && ($year < $this->to->year() || ($year === $this->to->year() && $month <= $this->to->month()))) {
            $months[] = sprintf('%04d-%02d', $year, $month);
            [$year, $month] = $month === 12 ? [$year + 1, 1] : [$year, $month + 1];
        }

        return $months;
    }

    private static function months(int $year, int $month, int $count, string $label = ''): self
    {
        $from = LocalDate::ymd($year, $month, 1);
        $last = $month + $count > 12 ? LocalDate::ymd($year + 1, $month + $count - 12, 1) : LocalDate::ymd($year, $month + $count, 1);

        return new self($from, $last->plusDays(-1), $label !== '' ? $label : explode(' ', $from->long())[0].' '.$year);
    }
}
