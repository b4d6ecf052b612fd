<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/** What in a deal's days cannot be meant so; told, never blocked. */
final class Clashes
{
    /**
     * A closing on a day when no business is done, and deadlines that would come only after it.
     *
     * @param list<Deadline> $deadlines those still open that do not hang on the closing themselves
     * @param int $thisYear days of another year are read with theirs
     *
     * @return list<string> in words, the earliest first
     */
    public static function aroundClosing(LocalDate $closing, array $deadlines, BusinessCalendar $calendar, int $thisYear): array
    {
        $told = [];
        if (! $calendar->isBusinessDay($closing)) {
            $day = $calendar->holiday($closing) ?? 'a '.$closing->weekdayName();
            $told[] = "Closing is on {$day}, when no business is done.";
        }
        $after = array_values(array_filter($deadlines, static fn (Deadline $one) => $one->due->isAfter($closing)));
        usort($after, static fn (Deadline $one, Deadline $other) => $one->due->iso() <=> $other->due->iso());
        foreach ($after as $one) {
            $told[] = "{$one->label} ({$one->due->short($thisYear)}) comes after closing ({$closing->short($thisYear)}).";
        }

        return $told;
    }
}
