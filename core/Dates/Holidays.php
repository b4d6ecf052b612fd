<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/** Holidays of an office as people write them: one a line, the day first, then its name. */
final class Holidays
{
    private const LONGEST_NAME = 80;

    /**
     * Reads them.
     *
     * @return array<string, string> name by day (YYYY-MM-DD), in order
     *
     * @throws DateUnreadable when a line has no day that exists; its message says which and that nothing is saved
     */
    public static function read(string $lines): array
    {
        $holidays = [];
        foreach (preg_split('/\R/', $lines) ?: [] as $line) {
            if (trim($line) === '') {
                continue;
            }
            if (preg_match('/^\s*(\d{4}-\d{2}-\d{2})\s*(.*)$/u', $line, $m) !== 1) {
                throw new DateUnreadable(
                    "“{$line}” is not a holiday. Write a day such as 2026-12-24 and its name on each line. Nothing was saved.",
                );
            }
            try {
                $holidays[LocalDate::of($m[1])->iso()] = mb_substr(trim($m[2]) ?: 'Office closed', 0, self::LONGEST_NAME);
            } catch (\DomainException|\InvalidArgumentException) {
                throw new DateUnreadable("There is no day {$m[1]}. Nothing was saved.");
            }
        }
        ksort($holidays);

        return $holidays;
    }
}
