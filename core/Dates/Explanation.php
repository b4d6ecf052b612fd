<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * How a deadline was computed, as a sentence: what was counted from where, what was skipped, and why it moved.
 *
 * @internal to its area
 */
final readonly class Explanation
{
    public function __construct(private DeadlineRule $rule, private BusinessCalendar $calendar, private ?int $thisYear)
    {
    }

    /**
     * @param LocalDate|null $from the day it is counted from, when that is not the anchor's own
     * @param list<LocalDate> $skipped holidays left out on the way
     */
    public function sentence(
        LocalDate $anchor,
        string $label,
        ?LocalDate $from,
        LocalDate $counted,
        LocalDate $due,
        array $skipped,
        ?string $cutOff,
    ): string {
        $year = $this->thisYear ?? $due->year();
        $count = abs($this->rule->days);
        $label = lcfirst($label);
        $where =
            $count === 0
                ? "The day of {$label} ({$anchor->short($year)})"
                : $this->rule->unit->words($count).
                    ' '.
                    ($this->rule->days < 0 ? 'before' : 'after').
                    " {$label} ({$anchor->short($year)}".
                    ($from === null ? '' : ", after {$this->lateAfter()}, so counted from {$from->short($year)}").
                    ')';
        if ($this->rule->isShort()) {
            $where .= ', weekends and holidays left out because it is fewer than '.$this->rule->shortLimit.' days';
        }
        if ($skipped !== []) {
            $where .=
                ', skipping '.
                implode(' and ', array_map(fn (LocalDate $day) => "{$this->calendar->holiday($day)} ({$day->short($year)})", $skipped));
        }
        if (! $due->is($counted)) {
            $why = $this->calendar->holiday($counted) ?? ($counted->weekday() === 6 ? 'a Saturday' : 'a Sunday');
            $between = $this->between($counted, $due, $year);
            $where .= " is {$counted->short($year)}, {$why}, so {$due->short($year)}{$between}";
        }
        if ($cutOff !== null) {
            $where .= ', by '.TimeOfDay::of($cutOff)->short();
        }

        return "{$where}.";
    }

    /** Further holidays that were passed over while rolling. */
    private function between(LocalDate $counted, LocalDate $due, int $year): string
    {
        $step = $due->isAfter($counted) ? 1 : -1;
        $names = [];
        for ($day = $counted->plusDays($step); ! $day->is($due); $day = $day->plusDays($step)) {
            $name = $this->calendar->holiday($day);
            $name === null || ($names[] = "{$name} ({$day->short($year)})");
        }

        return $names === [] ? '' : ', past '.implode(' and ', $names);
    }

    private function lateAfter(): string
    {
        return TimeOfDay::of((string) $this->rule->lateAfter)->short();
    }
}
