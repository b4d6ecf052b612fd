<?php

declare(strict_types=1);

namespace Unanimus\Commission;

/**
 * Reckons authorized sheets anew in the order of closing, then authorization, each from the totals that those before it leave. Nothing
 * is rewritten: it tells which sheets would be others.
 */
final class YearAnew
{
    /**
     * Totals are cn, company and afterCap by agent and by the first day of the plan year.
     *
     * @param iterable<int|string, array<string, mixed>> $sheets what each was authorized from, in order, by any key
     * @param array<string, array<string, array<string, string>>> $opening totals before the first sheet
     * @return array{others: list<int|string>, totals: array<string, array<string, array<string, string>>>} after all
     *
     * @throws ReckoningRefused when a sheet cannot be read
     */
    public static function of(iterable $sheets, array $opening = []): array
    {
        [$totals, $others] = [$opening, []];
        foreach ($sheets as $key => $given) {
            $years = [];
            $before = $given;
            foreach ((array) ($given['agents'] ?? []) as $id => $agent) {
                $year = (string) ($agent['yearBegins'] ?? substr((string) $given['closing'], 0, 4).'-01-01');
                $years[$id] = $year;
                $given['agents'][$id]['soFar'] = $totals[$id][$year] ?? ['cn' => '0.00', 'company' => '0.00', 'afterCap' => '0.00'];
            }
            $done = Reckoning::of($given);
            foreach ($years as $id => $year) {
                $totals[$id][$year] = array_intersect_key($done['accumulators'][$id], ['cn' => 1, 'company' => 1, 'afterCap' => 1]);
            }
            $done['payees'] == Reckoning::of($before)['payees'] || ($others[] = $key);
        }

        return ['others' => $others, 'totals' => $totals];
    }
}
