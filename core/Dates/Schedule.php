<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * All deadlines of a file, computed from its anchors. A rule may count from an anchor or from another deadline.
 */
final class Schedule
{
    /**
     * Computes what can be computed; a rule whose anchor is not known yet is left out, unless its day is set by hand, and so is
     * one whose own day is given as an anchor. Its cost grows with the number of rules, however they hang on each other.
     *
     * @param array<string, LocalDate> $anchors by key ("acceptance", "closing")
     * @param array<string, string> $labels the anchors' names as read
     * @param list<DeadlineRule> $rules
     * @param array<string, Override> $overrides by the deadline's name; what counts from it counts from the day set by hand
     * @param array<string, TimeOfDay> $times of the anchors, where they are known
     * @param int|null $thisYear the year that sentences need not say
     * @param \DateTimeZone|null $zone the zone the days are in, for rules in hours
     * @return list<Deadline> by day
     *
     * @throws CircularRules when rules count from each other
     */
    public static function compute(
        array $anchors,
        array $labels,
        array $rules,
        BusinessCalendar $calendar,
        array $overrides = [],
        array $times = [],
        ?int $thisYear = null,
        ?\DateTimeZone $zone = null,
    ): array {
        $rules = array_values(array_filter($rules, static fn (DeadlineRule $rule) => ! isset($anchors[$rule->name])));
        self::refuseCircles($rules);
        $names = [];
        $from = [];
        foreach ($rules as $rule) {
            $names[$rule->name] = $rule->label;
            $from[$rule->anchor][] = $rule;
        }
        $label = static fn (string $anchor) => $labels[$anchor] ?? ($names[$anchor] ?? str_replace('_', ' ', $anchor));
        $deadlines = [];
        $days = $anchors;
        $ready = array_map(strval(...), array_keys($anchors));
        // What is set by hand stands, whether or not its anchor is known; what counts from it counts.
        foreach ($rules as $rule) {
            if (isset($overrides[$rule->name]) && ! isset($anchors[$rule->anchor]) && ! isset($names[$rule->anchor])) {
                $deadlines[$rule->name] = Deadline::setByHand($rule, $label($rule->anchor), $overrides[$rule->name], $thisYear);
                $days[$rule->name] = $overrides[$rule->name]->day;
                $ready[] = $rule->name;
            }
        }
        $compute = static function (DeadlineRule $rule, LocalDate $day) use (
            $label,
            $calendar,
            &$times,
            $overrides,
            $thisYear,
            $zone,
        ): Deadline {
            $deadline = $rule->from($day, $label($rule->anchor), $calendar, $times[$rule->anchor] ?? null, $thisYear, $zone);
            if (isset($overrides[$rule->name])) {
                return $deadline->overridden($overrides[$rule->name], $thisYear);
            }
            if ($rule->unit === Unit::Hours && $deadline->cutOff !== null) {
                $times[$rule->name] = TimeOfDay::of($deadline->cutOff);
            }

            return $deadline;
        };
        self::follow($ready, $from, $days, $deadlines, $compute);
        // A chain that hangs on nothing known may still be set by hand further down.
        foreach ($rules as $rule) {
            if (isset($overrides[$rule->name]) && ! isset($deadlines[$rule->name])) {
                $deadlines[$rule->name] = Deadline::setByHand($rule, $label($rule->anchor), $overrides[$rule->name], $thisYear);
                $days[$rule->name] = $overrides[$rule->name]->day;
                self::follow([$rule->name], $from, $days, $deadlines, $compute);
            }
        }
        $deadlines = array_values($deadlines);
        usort($deadlines, static fn (Deadline $a, Deadline $b) => $a->due->iso() <=> $b->due->iso() ?: $a->name <=> $b->name);

        return $deadlines;
    }

    /**
     * @param list<string> $ready names of days that are known
     * @param array<string, list<DeadlineRule>> $from rules by what they count from
     * @param array<string, LocalDate> $days
     * @param array<string, Deadline> $deadlines
     * @param \Closure(DeadlineRule, LocalDate): Deadline $compute
     */
    private static function follow(array $ready, array $from, array &$days, array &$deadlines, \Closure $compute): void
    {
        for ($at = 0; isset($ready[$at]); $at++) {
            foreach ($from[$ready[$at]] ?? [] as $rule) {
                if (! isset($deadlines[$rule->name])) {
                    $deadlines[$rule->name] = $compute($rule, $days[$ready[$at]]);
                    $days[$rule->name] = $deadlines[$rule->name]->due;
                    $ready[] = $rule->name;
                }
            }
        }
    }

    /**
     * Refuses rules that count from each other, whether or not their anchors are known yet.
     *
     * @param list<DeadlineRule> $rules
     *
     * @throws CircularRules
     */
    public static function refuseCircles(array $rules): void
    {
        $anchorOf = [];
        foreach ($rules as $rule) {
            $anchorOf[$rule->name] = $rule->anchor;
        }
        $sound = [];
        foreach (array_keys($anchorOf) as $start) {
            $path = [];
            for ($next = (string) $start; isset($anchorOf[$next]) && ! isset($sound[$next]); $next = $anchorOf[$next]) {
                if (isset($path[$next])) {
                    throw new CircularRules(
                        "The deadline “{$next}” counts from itself by way of others. Let one of them count from an anchor.",
                    );
                }
                $path[$next] = true;
            }
            $sound += $path;
        }
    }
}
