<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;

/**
 * Reckons a commission from what was agreed, the agents' plans and the fees, each side by itself: the listing first, the
 * buyer's side from the totals and debts it leaves. Nothing is computed from a value that was not given.
 */
final class Reckoning
{
    /**
     * @param array<string, mixed> $given as docs/formats.md says
     * @return array<string, mixed> as commission:compute prints it
     *
     * @throws ReckoningRefused when something in it cannot be read
     */
    public static function of(array $given): array
    {
        try {
            $closing = LocalDate::of(Amount::words($given['closing'] ?? ''));
        } catch (DateUnreadable|\InvalidArgumentException) {
            throw new ReckoningRefused('The day of closing is missing, or none.');
        }
        $years = [];
        foreach ((array) ($given['agents'] ?? []) as $id => $agent) {
            $years[(string) $id] = AgentYear::of((string) $id, (array) $agent, $closing);
        }
        $sides = (array) ($given['sides'] ?? []);
        $sides !== [] || throw new ReckoningRefused('There is no side to reckon.');
        array_filter($sides, is_array(...)) === $sides || throw new ReckoningRefused('A side is a list of what it holds.');
        usort($sides, static fn (array $a, array $b) => (($b['side'] ?? '') === 'listing') <=> (($a['side'] ?? '') === 'listing'));
        $reckoned = [];
        $total = [];
        $carried = new Carried();
        foreach ($sides as $side) {
            $done = SideReckoning::of((array) $side, $years, $carried);
            foreach ($done->payees as $payee => $cents) {
                $total[$payee] = ($total[$payee] ?? 0) + $cents;
            }
            $reckoned[] = [
                'side' => Amount::words($side['side'] ?? ''),
                'in' => Amount::shown($done->in),
                'payees' => array_map(Amount::shown(...), $done->payees),
                'steps' => $done->steps,
                'held' => $done->held,
                'franchise' => Amount::shown($done->franchise),
                'parts' => $done->parts,
            ];
        }

        return [
            'sides' => $reckoned,
            'payees' => array_map(Amount::shown(...), $total),
            'release' => array_merge(...array_column($reckoned, 'held')) === [],
            'accumulators' => array_map(
                static fn (AgentYear $year) => [
                    'cn' => Amount::shown($year->cn),
                    'company' => Amount::shown($year->company),
                    'afterCap' => Amount::shown($year->afterCap),
                    'debts' => array_map(
                        static fn (array $debt) => ['label' => $debt['label'], 'left' => Amount::shown($debt['amount'])],
                        $year->debts,
                    ),
                ],
                $years,
            ),
            'caps' => [
                'franchise' => array_map(Amount::shown(...), $carried->franchise),
                'fees' => array_map(Amount::shown(...), $carried->fees),
            ],
        ];
    }
}
