<?php

declare(strict_types=1);

namespace App\Bench;

use Unanimus\Commission\YearAnew;

/** A plan year of many agents, each with a cap, reckoned anew. */
final class PlanYearAnew
{
    private const AGENTS = 500;

    private const SHEETS = 6000;

    public static function seconds(): float
    {
        $begun = microtime(true);
        YearAnew::of(self::sheets());

        return microtime(true) - $begun;
    }

    /** @return \Generator<int, array<string, mixed>> */
    private static function sheets(): \Generator
    {
        for ($i = 0; $i < self::SHEETS; $i++) {
            $agent = 'agent:'.($i % self::AGENTS);
            yield $i => [
                'closing' => sprintf('2026-%02d-%02d', 1 + intdiv($i, self::AGENTS), 1 + $i % 28),
                'agents' => [$agent => [
                    'plan' => ['rate' => '80', 'cap' => '16000', 'afterCap' => ['amount' => '250', 'cap' => '2500']],
                    'soFar' => ['cn' => '0', 'company' => '0', 'afterCap' => '0'],
                ]],
                'sides' => [[
                    'side' => 'one',
                    'price' => (string) (200_000 + $i * 37),
                    'lines' => [['kind' => 'percent', 'percent' => '2.75']],
                    'agents' => [['id' => $agent, 'share' => '100']],
                    'fees' => [['label' => 'Fee', 'amount' => '395', 'payer' => 'agent']],
                    'franchise' => ['percent' => '6', 'when' => 'before'],
                ]],
            ];
        }
    }
}
