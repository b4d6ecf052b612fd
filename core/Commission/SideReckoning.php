<?php

declare(strict_types=1);

namespace Unanimus\Commission;

/**
 * The reckoning of one side of a deal, from what comes in to what each is paid, step by step in whole cents.
 *
 * @internal to its area
 */
final class SideReckoning
{
    private const CAPPED = ', no more than the cap leaves';

    /** @var list<array{label: string, formula: string, amount: string}> */
    public array $steps = [];

    /** @var array<string, int> cents by payee */
    public array $payees = ['company' => 0];

    /** @var array<string, list<int>> what each payee's amount is put together from, in cents */
    public array $parts = [];

    /** @var list<string> why it may not be released */
    public array $held = [];

    /** Cents that come in: the side's gross, bonuses, and fees that the client pays. */
    public int $in = 0;

    public int $franchise = 0;

    private int $gross = 0;

    private int $net = 0;

    /** @var array<string, array{share: int, company: int, after: int, percent: \Brick\Math\BigDecimal}> */
    private array $agents = [];

    /**
     * @param array<string, mixed> $given
     * @param array<string, AgentYear> $years
     */
    private function __construct(private readonly array $given, private array $years, private readonly Carried $carried)
    {
    }

    /**
     * @param array<string, mixed> $given as docs/formats.md says
     * @param array<string, AgentYear> $years of the agents; what counts on this sheet is added to them
     *
     * @throws ReckoningRefused when something in it cannot be read
     */
    public static function of(array $given, array $years, Carried $carried): self
    {
        $side = new self($given, $years, $carried);
        $lines = $side->lines();
        $side->bonuses($lines);
        $side->offTheTop();
        $side->shares();
        foreach (array_keys($side->agents) as $id) {
            $side->split((string) $id);
        }
        $side->teams();
        $side->fees();
        $side->franchiseAfter();
        $side->straight();
        $side->debts();
        $side->close();

        return $side;
    }

    private function lines(): int
    {
        [$sum, $steps] = GrossLines::of($this->given);
        foreach ($steps as [$label, $formula, $amount]) {
            $this->step($label, $formula, $amount);
        }

        return $sum;
    }

    private function bonuses(int $lines): void
    {
        $this->gross = $this->in = $lines;
        foreach ((array) ($this->given['bonuses'] ?? []) as $bonus) {
            $amount = Amount::cents($bonus['amount'] ?? null, 'A bonus');
            $this->in += $amount;
            if (($bonus['through'] ?? 'split') === 'split') {
                $this->gross += $amount;
                $this->step('Bonus', 'through the split', $amount);
            }
        }
        $this->step('Gross', 'all of it', $this->gross);
    }

    private function offTheTop(): void
    {
        $credits = $taken = 0;
        foreach ((array) ($this->given['credits'] ?? []) as $credit) {
            $amount = Amount::given((array) $credit, $this->gross, 'A credit');
            $credits += $amount;
            $this->pay(Amount::words($credit['to'] ?? 'client'), $amount, 'Credit to the client', 'off the top');
        }
        foreach ((array) ($this->given['referralsOut'] ?? []) as $referral) {
            $base = ($referral['of'] ?? 'gross') === 'gross_less_credits' ? $this->gross - $credits : $this->gross;
            $amount = Amount::given((array) $referral, $base, 'A referral');
            $taken += $amount;
            $this->pay(Amount::words($referral['to'] ?? 'referral'), $amount, 'Referral', Amount::told($referral, $base));
        }
        $franchise = (array) ($this->given['franchise'] ?? []);
        if (($franchise['when'] ?? '') === 'before') {
            $this->franchise = $this->limited($franchise);
            $taken += $this->franchise;
            $to = Amount::words($franchise['to'] ?? 'franchise');
            $this->pay($to, $this->franchise, 'Franchise fee', $this->franchiseTold($franchise));
        }
        foreach ((array) ($this->given['deductions'] ?? []) as $deduction) {
            $amount = Amount::given((array) $deduction, $this->gross, 'A deduction');
            $taken += $amount;
            $this->pay(
                Amount::words($deduction['to'] ?? 'company'),
                $amount,
                Amount::words($deduction['label'] ?? 'Deduction'),
                Amount::told($deduction, $this->gross),
            );
        }
        $this->net = $this->gross - $credits - $taken;
        $this->step('Commissionable net', 'gross less what goes off the top', $this->net);
    }

    /** @param  array<string, mixed>  $franchise */
    private function limited(array $franchise): int
    {
        $amount = Amount::given($franchise, $this->gross, 'The franchise fee');
        if (! isset($franchise['cap'])) {
            return $amount;
        }
        // Kept per office, or per agent: the one who is named, else the first of the side.
        $agents = (array) ($this->given['agents'] ?? []);
        $whose = ($franchise['capPer'] ?? 'agent') === 'office' ? '' : Amount::words($franchise['agent'] ?? $agents[0]['id'] ?? '');
        $paid = Amount::cents($franchise['paid'] ?? 0, 'What was paid to the franchise') + ($this->carried->franchise[$whose] ?? 0);
        $amount = min($amount, max(0, Amount::cents($franchise['cap'], 'The franchise cap') - $paid));
        $this->carried->franchise[$whose] = ($this->carried->franchise[$whose] ?? 0) + $amount;

        return $amount;
    }

    /** @param  array<string, mixed>  $franchise */
    private function franchiseTold(array $franchise): string
    {
        $isLimited = $this->franchise !== Amount::given($franchise, $this->gross, 'The franchise fee');

        return Amount::told($franchise, $this->gross).($isLimited ? self::CAPPED : '');
    }

    private function shares(): void
    {
        $all = (array) ($this->given['agents'] ?? []);
        $sum = \Brick\Math\BigDecimal::zero();
        $left = $this->net;
        foreach (array_values($all) as $index => $agent) {
            $id = Amount::words($agent['id'] ?? '');
            isset($this->years[$id]) || throw new ReckoningRefused("Nothing is said of the agent “{$id}”.");
            $percent = Amount::percent($agent['share'] ?? 100, "The share of {$id}");
            $sum = $sum->plus($percent);
            $share = $index === count($all) - 1 ? $left : Amount::of($this->net, $percent);
            $left -= $share;
            $this->agents[$id] = ['share' => $share, 'company' => 0, 'after' => $share, 'percent' => $percent];
            $this->payees[$id] ??= 0;
            count($all) === 1 || $this->step("Share of {$id}", Amount::shown($this->net)." × {$percent} %", $share);
        }
        if ($all === []) {
            $this->give('company', $this->net);
        } elseif (! $sum->isEqualTo(100)) {
            $this->held[] = "The shares are {$sum} percent, not 100.";
        }
    }

    private function split(string $id): void
    {
        $year = $this->years[$id];
        $own = $this->agents[$id];
        $share = $own['share'];
        if ($year->cap !== null && $year->company >= $year->cap) {
            $this->give($id, $share);
            $this->step("{$id}, capped before", 'all of the share', $share);
            $this->afterCap($id, $year, $share);
        } else {
            [$part, $told] = $year->agentPart($share);
            $computed = $share - $part;
            $company = max($computed, $year->minimum);
            $left = $year->leftOfCap();
            $left === null || ($company = min($company, $left));
            $how = Amount::shown($share).' less '.Amount::shown($part);
            if ($company !== $computed) {
                // Neither follows from the rate alone: what decides is named.
                $how .= $company === $left ? self::CAPPED : ', no less than the minimum';
                $told = Amount::shown($share).' less the company’s part';
            }
            $this->agents[$id] = [...$own, 'company' => $company, 'after' => $share - $company];
            $this->give($id, $share - $company);
            $this->give('company', $company);
            $this->step("{$id} by the plan", $told, $share - $company);
            $this->step("Company from {$id}", $how, $company);
            $year->company += $company;
        }
        $year->cn += $share;
    }

    private function afterCap(string $id, AgentYear $year, int $share): void
    {
        if ($year->feeAfterCap === null) {
            return;
        }
        $fee = Amount::given($year->feeAfterCap, $share, "The fee after the cap of {$id}");
        if ($year->feeAfterCap['cap'] !== null) {
            $fee = min($fee, max(0, Amount::cents($year->feeAfterCap['cap'], 'The cap of the fee after the cap') - $year->afterCap));
        }
        $year->afterCap += $fee;
        $this->move($id, 'company', $fee, "Fee after the cap, {$id}", 'by agent to company');
    }

    private function teams(): void
    {
        foreach ($this->agents as $id => $agent) {
            $team = $this->years[(string) $id]->team;
            if ($team !== null) {
                $percent = Amount::percent($team['percent'], "The lead's percentage of {$id}");
                $base = $team['base'] === 'before' ? $agent['share'] : $agent['after'];
                $told = Amount::shown($base)." × {$percent} %";
                $this->move((string) $id, $team['lead'], Amount::of($base, $percent), "Lead of {$id}", $told);
            }
        }
    }

    private function fees(): void
    {
        foreach ((array) ($this->given['fees'] ?? []) as $fee) {
            $label = Amount::words($fee['label'] ?? 'Fee');
            $payer = Amount::words($fee['payer'] ?? 'agent');
            $payee = Amount::words($fee['payee'] ?? 'company');
            if ($payer === 'company' && $payee === 'company') {
                throw new ReckoningRefused("“{$label}” goes from the company to the company.");
            }
            if (($fee['open'] ?? false) === true) {
                $this->held[] = "“{$label}” is open.";

                continue;
            }
            $payers = match (true) {
                $payer !== 'agent' => [$payer],
                isset($fee['agent']) => [Amount::words($fee['agent'])],
                default => array_keys($this->agents),
            };
            foreach ($payers as $who) {
                $this->fee((array) $fee, $label, (string) $who, $payer, $payee);
            }
        }
    }

    /** @param  array<string, mixed>  $fee */
    private function fee(array $fee, string $label, string $who, string $payer, string $payee): void
    {
        $agent = $this->agents[$who] ?? null;
        if ($payer === 'agent' && $agent === null) {
            throw new ReckoningRefused("“{$label}” names “{$who}”, who has no part in this side.");
        }
        $ofAgent = static fn () => throw new ReckoningRefused("“{$label}” is a percentage of an agent's part, and no agent pays it.");
        $base = match (Amount::words($fee['base'] ?? 'gross')) {
            'gross' => $this->gross,
            'cn' => $this->net,
            'before' => $agent['share'] ?? $ofAgent(),
            'after' => $agent['after'] ?? $ofAgent(),
            default => throw new ReckoningRefused("“{$label}” is a percentage of nothing that is known."),
        };
        [$amount, $told] = Amount::within($fee, $base, "“{$label}”");
        $computed = $amount;
        if (isset($fee['yearlyCap'])) {
            $paid = is_array($fee['paid'] ?? null) ? $fee['paid'][$who] ?? 0 : $fee['paid'] ?? 0;
            $so = Amount::cents($paid, "What was paid of “{$label}”") + ($this->carried->fees["{$who}: {$label}"] ?? 0);
            $amount = min($amount, max(0, Amount::cents($fee['yearlyCap'], "The cap of “{$label}”") - $so));
        }
        $counts = ($fee['countsToCap'] ?? false) === true && $payer === 'agent' && $payee === 'company';
        if ($counts) {
            $left = $this->years[$who]->leftOfCap();
            $left === null || ($amount = min($amount, $left));
            $this->years[$who]->company += $amount;
        }
        if (isset($fee['yearlyCap'])) {
            $this->carried->fees["{$who}: {$label}"] = ($this->carried->fees["{$who}: {$label}"] ?? 0) + $amount;
        }
        $told .= $amount === $computed ? '' : self::CAPPED;
        if ($payer === 'client') {
            $this->in += $amount;
            $this->pay($payee, $amount, $label, 'paid by the client');
        } else {
            $this->move($payer === 'agent' ? $who : 'company', $payee, $amount, "{$label}, {$who}", $told);
        }
    }

    private function franchiseAfter(): void
    {
        $franchise = (array) ($this->given['franchise'] ?? []);
        if (($franchise['when'] ?? '') !== 'after') {
            return;
        }
        $this->franchise = $left = $this->limited($franchise);
        $to = Amount::words($franchise['to'] ?? 'franchise');
        if (($franchise['by'] ?? 'company') === 'company' || $this->agents === []) {
            $this->move('company', $to, $this->franchise, 'Franchise fee', $this->franchiseTold($franchise));

            return;
        }
        $last = array_key_last($this->agents);
        foreach ($this->agents as $id => $agent) {
            $part = $id === $last ? $left : Amount::of($this->franchise, $agent['percent']);
            $left -= $part;
            $this->move((string) $id, $to, $part, "Franchise fee, {$id}", Amount::shown($this->franchise)." × {$agent['percent']} %");
        }
    }

    private function straight(): void
    {
        foreach ((array) ($this->given['bonuses'] ?? []) as $bonus) {
            if (($bonus['through'] ?? 'split') !== 'split') {
                $to = Amount::words($bonus['to'] ?? array_key_first($this->agents) ?? 'company');
                $this->pay($to, Amount::cents($bonus['amount'] ?? null, 'A bonus'), "Bonus to {$to}", 'straight');
            }
        }
    }

    private function debts(): void
    {
        foreach ($this->years as $id => $year) {
            foreach ($year->debts as $index => $debt) {
                $taken = min($debt['amount'], max(0, $this->payees[$id] ?? 0));
                if ($taken > 0) {
                    $this->move((string) $id, $debt['to'], $taken, ucfirst($debt['label']).", {$id}", 'taken of what is paid');
                    $year->debts[$index]['amount'] -= $taken;
                }
            }
        }
    }

    private function close(): void
    {
        foreach ($this->payees as $payee => $cents) {
            $cents < 0 && ($this->held[] = "{$payee} would be paid ".Amount::shown($cents).'.');
        }
        $out = array_sum($this->payees);
        if ($out !== $this->in) {
            $this->held[] = 'What is paid out, '.Amount::shown($out).', is not what comes in, '.Amount::shown($this->in).'.';
        }
    }

    private function move(string $from, string $to, int $cents, string $label, string $formula): void
    {
        $this->give($from, -$cents);
        $this->pay($to, $cents, $label, $formula);
    }

    private function pay(string $to, int $cents, string $label, string $formula): void
    {
        $this->give($to, $cents);
        $this->step($label, $formula, $cents);
    }

    private function give(string $to, int $cents): void
    {
        $this->payees[$to] = ($this->payees[$to] ?? 0) + $cents;
        $cents === 0 || ($this->parts[$to][] = $cents);
    }

    private function step(string $label, string $formula, int $cents): void
    {
        $this->steps[] = ['label' => $label, 'formula' => $formula, 'amount' => Amount::shown($cents)];
    }
}
