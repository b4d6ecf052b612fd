<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * All deadlines of a file, computed from its anchors. A rule may count from an anchor or from another deadline.
 */
final class Schedule
{
    /**
     * Computes what can be computed; a rule whose anchor is not known yet is left out, and so is one whose own day is given as an anchor.
     *
     * @param array<string, LocalDate> $anchors by key ("acceptance", "closing")
     * @param array<string, string> $labels the anchors' names as read
     * @param list<DeadlineRule> $rules
     * @param array<string, Override> $overrides by the deadline's name; what counts from it counts from the day set by hand
     * @return list<Deadline> by day
     *
     * @throws CircularRules when rules count from each other
     */
    public static function compute(array $anchors, array $labels, array $rules, BusinessCalendar $calendar, array $overrides = []): array
    {
        $rules = array_values(array_filter($rules, static fn (DeadlineRule $rule) => ! isset($anchors[$rule->name])));
        self::refuseCircles($rules);
        $days = $anchors;
        $deadlines = [];
        $left = $rules;
        do {
            $waiting = [];
            foreach ($left as $rule) {
                if (! isset($days[$rule->anchor])) {
                    $waiting[] = $rule;

                    continue;
                }
                $deadline = $rule->from($days[$rule->anchor], $labels[$rule->anchor] ?? str_replace('_', ' ', $rule->anchor), $calendar);
                $deadline = isset($overrides[$rule->name]) ? $deadline->overridden($overrides[$rule->name]) : $deadline;
                $deadlines[] = $deadline;
                $days[$rule->name] = $deadline->due;
                $labels[$rule->name] = $rule->label;
            }
            $moved = count($waiting) < count($left);
            $left = $waiting;
        } while ($moved && $left !== []);
        usort($deadlines, static fn (Deadline $a, Deadline $b) => $a->due->iso() <=> $b->due->iso() ?: $a->name <=> $b->name);

        return $deadlines;
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
        foreach ($anchorOf as $start => $next) {
            for ($steps = 0; isset($anchorOf[$next]); $steps++) {
                if ($next === $start || $steps > count($anchorOf)) {
                    throw new CircularRules("The deadline “{$start}” counts from itself by way of others. Let one of them count from an anchor.");
                }
                $next = $anchorOf[$next];
            }
        }
    }
}
