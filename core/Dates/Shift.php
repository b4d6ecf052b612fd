<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * What moves when anchors move: each deadline as it stands and as it would stand, with what speaks against the new day.
 */
final readonly class Shift
{
    /**
     * @param list<array{name: string, label: string, from: LocalDate|null, to: LocalDate|null, days: int, because: string,
     *     conflicts: list<string>}> $moves only what changes; from or to is null when it comes or goes
     * @param list<string> $anchorConflicts what speaks against the new days of the anchors themselves, in words
     */
    private function __construct(public array $moves, public array $anchorConflicts)
    {
    }

    /**
     * The difference between two computed schedules.
     *
     * @param list<Deadline> $before
     * @param list<Deadline> $after
     * @param array<string, array{label: string, day: LocalDate}> $movedAnchors the anchors on their new days
     */
    public static function between(array $before, array $after, array $movedAnchors, BusinessCalendar $calendar, LocalDate $today): self
    {
        $was = array_column(array_map(static fn (Deadline $deadline) => [$deadline->name, $deadline], $before), 1, 0);
        $is = array_column(array_map(static fn (Deadline $deadline) => [$deadline->name, $deadline], $after), 1, 0);
        $moves = [];
        foreach ($is + $was as $name => $either) {
            [$from, $to] = [$was[$name]->due ?? null, $is[$name]->due ?? null];
            if ($from !== null && $to !== null && $from->is($to)) {
                continue;
            }
            $moves[] = [
                'name' => (string) $name,
                'label' => $either->label,
                'from' => $from,
                'to' => $to,
                'days' => $from === null || $to === null ? 0 : $from->daysUntil($to),
                'because' => $is[$name]->because ?? 'Its anchor is gone.',
                'conflicts' => $to === null ? [] : self::words($to, $calendar, $today),
            ];
        }
        usort(
            $moves,
            static fn (array $a, array $b) => ($a['to'] ?? $a['from'])?->iso() <=> ($b['to'] ?? $b['from'])?->iso() ?:
            $a['name'] <=> $b['name'],
        );
        $anchors = [];
        foreach ($movedAnchors as $anchor) {
            foreach (self::words($anchor['day'], $calendar, $today) as $word) {
                $anchors[] = "{$anchor['label']} on {$anchor['day']->short($today->year())} is {$word}.";
            }
        }

        return new self($moves, $anchors);
    }

    /** @return list<string> */
    private static function words(LocalDate $day, BusinessCalendar $calendar, LocalDate $today): array
    {
        return array_map(static fn (Conflict $conflict) => $conflict->about($day, $calendar), Conflict::of($day, $calendar, $today));
    }
}
