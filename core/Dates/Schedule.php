<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * All deadlines of a file, computed from its anchors. A rule may count from an anchor or from another deadline.
 */
final class Schedule
{
    /**
     * Computes what can be computed; a rule whose anchor is not known yet is left out.
     *
     * @param array<string, LocalDate> $anchors by key ("acceptance", "closing")
     * @param array<string, string> $labels the anchors' names as read
     * @param list<DeadlineRule> $rules
     * @return list<Deadline> by day
     *
     * @throws CircularRules when rules count from each other
     */
    public static function compute(array $anchors, array $labels, array $rules, BusinessCalendar $calendar): array
    {
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
                $deadline = $rule->from($days[$rule->anchor], $labels[$rule->anchor] ?? $rule->anchor, $calendar);
                $deadlines[] = $deadline;
                $days[$rule->name] = $deadline->due;
                $labels[$rule->name] = $rule->label;
            }
            $moved = count($waiting) < count($left);
            $left = $waiting;
        } while ($moved && $left !== []);
        self::refuseCircles($left);
        usort($deadlines, static fn (Deadline $a, Deadline $b) => $a->due->iso() <=> $b->due->iso() ?: $a->name <=> $b->name);

        return $deadlines;
    }

    /** @param  list<DeadlineRule>  $unresolved */
    private static function refuseCircles(array $unresolved): void
    {
        $anchorOf = [];
        foreach ($unresolved as $rule) {
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
