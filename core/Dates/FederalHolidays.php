<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * The legal public holidays of the United States, on the day they are observed.
 *
 * @link https://www.law.cornell.edu/uscode/text/5/6103 5 U.S.C. § 6103(a) names them; (b) moves one that falls on a Saturday to the
 *     Friday before,
 * and Executive Order 11582 § 3 one that falls on a Sunday to the Monday after.
 *
 * @internal to its area
 */
final class FederalHolidays
{
    /**
     * The holidays observed in a year, by their day "2026-07-03". New Year's Day of the next year
     * is among them when it is observed on 31 December.
     *
     * @return array<string, string> the observed day to the holiday's name
     */
    public static function in(int $year): array
    {
        $days = [];
        foreach ([...self::dates($year), [LocalDate::ymd($year + 1, 1, 1), 'New Year’s Day']] as [$date, $name]) {
            $observed = self::observed($date);
            if ($observed->year() === $year) {
                $days[$observed->iso()] = $name;
            }
        }
        ksort($days);

        return $days;
    }

    /** @return list<array{LocalDate, string}> */
    private static function dates(int $year): array
    {
        $holidays = [
            [LocalDate::ymd($year, 1, 1), 'New Year’s Day'],
            [self::nth(3, 1, $year, 1), 'Martin Luther King Jr. Day'],
            [self::nth(3, 1, $year, 2), 'Washington’s Birthday'],
            [self::lastMondayOfMay($year), 'Memorial Day'],
            [LocalDate::ymd($year, 7, 4), 'Independence Day'],
            [self::nth(1, 1, $year, 9), 'Labor Day'],
            [self::nth(2, 1, $year, 10), 'Columbus Day'],
            [LocalDate::ymd($year, 11, 11), 'Veterans Day'],
            [self::nth(4, 4, $year, 11), 'Thanksgiving Day'],
            [LocalDate::ymd($year, 12, 25), 'Christmas Day'],
        ];
        // Pub. L. 117-17 made it a holiday in June 2021.
        if ($year >= 2021) {
            $holidays[] = [LocalDate::ymd($year, 6, 19), 'Juneteenth'];
        }

        return $holidays;
    }

    private static function observed(LocalDate $date): LocalDate
    {
        return match ($date->weekday()) {
            6 => $date->plusDays(-1),
            7 => $date->plusDays(1),
            default => $date,
        };
    }

    private static function nth(int $nth, int $weekday, int $year, int $month): LocalDate
    {
        $first = LocalDate::ymd($year, $month, 1);

        return $first->plusDays((($weekday - $first->weekday() + 7) % 7) + ($nth - 1) * 7);
    }

    private static function lastMondayOfMay(int $year): LocalDate
    {
        $last = LocalDate::ymd($year, 5, 31);

        return $last->plusDays(1 - $last->weekday());
    }
}
