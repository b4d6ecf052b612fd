<?php

declare(strict_types=1);

namespace Unanimus\Reports;

/** Rows of deals by month, office, agent, side, label, source of the client, or reason. */
final class Grouped
{
    /** What deals may be grouped by, and how it is called. */
    public const BY = [
        'month' => 'Month',
        'office' => 'Office',
        'agent' => 'Agent',
        'side' => 'Side',
        'label' => 'Tag',
        'source' => 'Source',
        'reason' => 'Reason',
    ];

    /**
     * The rows of each group, in the order of their names; a row of two agents or labels stands in both.
     *
     * @param list<DealRow> $rows
     * @return array<string, list<DealRow>> by what they are grouped by; agents by key
     */
    public static function by(string $what, array $rows): array
    {
        $groups = [];
        foreach ($rows as $row) {
            foreach (self::of($what, $row) as $key) {
                $groups[$key][] = $row;
            }
        }
        ksort($groups);

        return $groups;
    }

    /** @return list<string> */
    private static function of(string $what, DealRow $row): array
    {
        return match ($what) {
            'month' => [$row->day === null ? '' : substr($row->day->iso(), 0, 7)],
            'office' => [$row->office],
            'agent' => array_map(strval(...), array_keys($row->agents)) ?: [''],
            'side' => [$row->side],
            'label' => $row->labels ?: [''],
            // As typed by many hands: capitals make no other source.
            'source' => [mb_strtolower(trim($row->source))],
            'reason' => [$row->reason],
            default => throw new \InvalidArgumentException("Deals are not grouped by {$what}."),
        };
    }
}
