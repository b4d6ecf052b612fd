<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Money\Percent;
use Unanimus\Steps\StepRefused;

/**
 * An agent's plan as it is entered: up to three tiers of the agent's rate, a cap, a minimum for the company, a fee after the cap,
 * a team whose lead gets a part.
 */
final class PlanEntered
{
    private const TIERS = 3;

    /**
     * The plan as the reckoning takes it; what was left empty is not in it.
     *
     * @param array<string, mixed> $typed
     * @return array<string, mixed>
     *
     * @throws AmountUnreadable when an entry is no amount or percentage
     * @throws StepRefused when there is no rate, a tier ends nowhere or below the one before it, or the year begins on no day
     */
    public static function read(array $typed): array
    {
        $text = static fn (string $name): string => trim((string) ($typed[$name] ?? ''));
        $tiers = [];
        $last = null;
        for ($n = 1; $n <= self::TIERS && $text("rate{$n}") !== ''; $n++) {
            $upTo = $text("to{$n}") === '' ? null : Money::parse($text("to{$n}"));
            ($tiers === [] || $last !== null) || throw CommissionRefusal::TierWithoutEnd->because(n: $n - 1);
            $last === null || $upTo === null || $upTo->exceeds($last) || throw CommissionRefusal::TierBelow->because(n: $n);
            $tiers[] = ['rate' => Percent::of($text("rate{$n}"))->decimal(), ...$upTo === null ? [] : ['upTo' => $upTo->decimal()]];
            $last = $upTo;
        }
        $tiers !== [] || throw CommissionRefusal::NoRate->because();
        $last === null || throw CommissionRefusal::LastTierEnds->because();
        $plan = count($tiers) === 1 ? ['rate' => $tiers[0]['rate']] : [
            'tiers' => $tiers,
            'tiersBy' => $text('tiers_by') === 'company' ? 'company' : 'cn',
        ];
        foreach (['cap', 'minimum'] as $name) {
            $text($name) === '' || ($plan[$name] = Money::parse($text($name))->decimal());
        }
        if ($text('after_cap') !== '') {
            $plan['afterCap'] = Figure::given(Figure::dollars($text('after_cap')));
            $text('after_cap_cap') === '' || ($plan['afterCap']['cap'] = Money::parse($text('after_cap_cap'))->decimal());
        }
        if ($text('team_lead') !== '' || $text('team_percent') !== '') {
            $text('team_lead') !== '' && $text('team_percent') !== '' || throw CommissionRefusal::TeamIncomplete->because();
            $plan['team'] = [
                'lead' => $text('team_lead'),
                'percent' => Percent::of($text('team_percent'))->decimal(),
                'base' => $text('team_base') === 'before' ? 'before' : 'after',
            ];
        }
        $year = $text('year');
        $isDay = preg_match('/^(\d\d)-(\d\d)$/', $year, $m) === 1 && checkdate((int) $m[1], (int) $m[2], 2028);
        $year === '' || $year === 'calendar' || $isDay || throw CommissionRefusal::NoYear->because();
        $plan['year'] = $isDay ? $year : 'calendar';

        return $plan;
    }
}
