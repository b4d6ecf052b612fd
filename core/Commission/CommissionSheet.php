<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Money\Money;

/**
 * The sheet of one side: what comes in, every step with its formula, and who is paid what. It is read off the one reckoning
 * there is; what is paid out adds up to what comes in, or it says why not and is not released.
 */
final readonly class CommissionSheet
{
    /**
     * @param Money $gross what comes in: the side's gross, bonuses, and fees that the client pays
     * @param list<Step> $steps in order
     * @param list<Payee> $payees who gets what at closing
     * @param list<string> $held what keeps it from release, in words
     * @param array<string, array{cn: Money, company: Money, afterCap: Money}> $counts what this sheet adds to each agent's plan year
     * @param array<string, Money> $franchise what it takes of yearly caps on the franchise fee, by whose they are; "" is the office
     * @param list<array{agent: string, label: string, amount: Money}> $fees what it takes of yearly caps on fees
     * @param list<array{agent: string, index: int, amount: Money}> $debts what it takes of debts, by their place in the agent's list
     * @param array<string, Money> $paid by what each payee goes under
     */
    private function __construct(
        public Money $price,
        public Money $gross,
        public array $steps,
        public array $payees,
        public array $held,
        public array $counts,
        public array $franchise,
        public array $fees,
        public array $debts,
        public array $paid,
    ) {
    }

    /**
     * Reads the sheet of the one side that is given.
     *
     * @param array<string, mixed> $given as docs/formats.md says, with one side
     * @param array<string, array{string, string}> $names what each payee is called and what they are, by the name it is given under
     *
     * @throws ReckoningRefused when something in it cannot be read
     */
    public static function of(Money $price, array $given, array $names): self
    {
        $done = Reckoning::of($given);
        $side = $done['sides'][0];
        $says = static fn (string $text): string => self::plain(self::named($text, $names));
        $steps = array_map(
            static fn (array $step) => new Step($says($step['label']), $says($step['formula']), Money::of($step['amount'])),
            $side['steps'],
        );
        $payees = [];
        // Agents first, in the order of their shares, the company after them, others last; however names are kept.
        $agents = array_column((array) ($given['sides'][0]['agents'] ?? []), 'id');
        $leads = array_keys(array_filter($names, static fn (array $name) => $name[1] === 'agent'));
        foreach ([...$agents, ...$leads, 'company', ...array_keys($side['payees'])] as $payee) {
            $amount = $side['payees'][$payee] ?? null;
            $isOurs = isset($names[$payee]) && in_array($names[$payee][1], ['agent', 'company'], true);
            if ($amount === null || isset($payees[$payee]) || (! $isOurs && Money::of($amount)->isZero())) {
                continue;
            }
            [$name, $role] = $names[$payee] ?? [ucfirst((string) $payee), 'outside'];
            $payees[$payee] = new Payee($name, $role, Money::of($amount), self::formula($side['parts'][$payee] ?? []));
        }
        $counts = [];
        foreach ((array) ($given['agents'] ?? []) as $id => $agent) {
            $before = (array) ($agent['soFar'] ?? []);
            foreach (['cn', 'company', 'afterCap'] as $what) {
                $counts[$id][$what] = Money::of($done['accumulators'][$id][$what])->minus(Money::of((string) ($before[$what] ?? '0')));
            }
        }

        return new self(
            $price,
            Money::of($side['in']),
            array_values($steps),
            array_values($payees),
            array_values(array_map($says, $side['held'])),
            $counts,
            array_map(Money::of(...), $done['caps']['franchise']),
            self::fees($done['caps']['fees']),
            self::debts($given, $done['accumulators']),
            array_map(Money::of(...), $side['payees']),
        );
    }

    /**
     * What the next sheet of the same deal starts from: the totals, debts and yearly caps that this one leaves.
     *
     * @param array<string, mixed> $given of the next one
     * @return array<string, mixed>
     */
    public function leaves(array $given): array
    {
        $plus = static fn (mixed $amount, Money $more): string => Money::of((string) ($amount ?? '0'))->plus($more)->decimal();
        foreach ($this->counts as $id => $counts) {
            if (isset($given['agents'][$id])) {
                foreach ($counts as $what => $amount) {
                    $given['agents'][$id]['soFar'][$what] = $plus($given['agents'][$id]['soFar'][$what] ?? null, $amount);
                }
            }
        }
        foreach ($this->debts as $debt) {
            $left = $given['agents'][$debt['agent']]['debts'][$debt['index']]['amount'] ?? null;
            $left === null || ($given['agents'][$debt['agent']]['debts'][$debt['index']]['amount'] = Money::of((string) $left)
                ->minus($debt['amount'])
                ->decimal());
        }
        $side = &$given['sides'][0];
        $whose = ($side['franchise']['capPer'] ?? 'agent') === 'office' ? '' : (string) ($side['franchise']['agent'] ?? '');
        isset($side['franchise']['cap'], $this->franchise[$whose])
            && ($side['franchise']['paid'] = $plus($side['franchise']['paid'] ?? null, $this->franchise[$whose]));
        foreach ($side['fees'] ?? [] as $index => $fee) {
            foreach (isset($fee['yearlyCap']) ? $this->fees : [] as $taken) {
                $taken['label'] !== $fee['label'] || ($side['fees'][$index]['paid'][$taken['agent']] = $plus(
                    $side['fees'][$index]['paid'][$taken['agent']] ?? null,
                    $taken['amount'],
                ));
            }
        }
        unset($side);

        return $given;
    }

    /** What the company keeps of it. */
    public function company(): Money
    {
        return $this->paid['company'] ?? Money::zero();
    }

    /**
     * @param array<string, string> $caps
     * @return list<array{agent: string, label: string, amount: Money}>
     */
    private static function fees(array $caps): array
    {
        $fees = [];
        foreach ($caps as $key => $amount) {
            [$agent, $label] = explode(': ', (string) $key, 2);
            $fees[] = ['agent' => $agent, 'label' => $label, 'amount' => Money::of($amount)];
        }

        return $fees;
    }

    /**
     * @param array<string, mixed> $given
     * @param array<string, array<string, mixed>> $after
     * @return list<array{agent: string, index: int, amount: Money}>
     */
    private static function debts(array $given, array $after): array
    {
        $taken = [];
        foreach ((array) ($given['agents'] ?? []) as $id => $agent) {
            foreach (array_values((array) ($agent['debts'] ?? [])) as $index => $debt) {
                $amount = Money::of((string) $debt['amount'])->minus(Money::of((string) $after[$id]['debts'][$index]['left']));
                $amount->isZero() || ($taken[] = ['agent' => (string) $id, 'index' => $index, 'amount' => $amount]);
            }
        }

        return $taken;
    }

    /**
     * The names in place of what agents, company and client go under. Those two are words as well, also of what somebody entered:
     * they are names where the reckoning puts one, at an end.
     *
     * @param array<string, array{string, string}> $names
     */
    public static function named(string $text, array $names): string
    {
        $agents = array_filter($names, static fn (array $one) => $one[1] === 'agent');
        $text = strtr($text, array_map(static fn (array $one) => $one[0], $agents));
        $others = array_diff_key($names, $agents);

        return (string) preg_replace_callback(
            '/^(company|client)(?= would be paid)|(?<=, )(company|client)$/u',
            static fn (array $found) => $others[$found[0]][0] ?? $found[0],
            $text,
        );
    }

    /** Whether it is computed from that price. */
    public function isFor(Money $price): bool
    {
        return $this->price->cents === $price->cents;
    }

    /** What all payees get together. */
    public function paid(): Money
    {
        return array_reduce($this->payees, static fn (Money $sum, Payee $payee) => $sum->plus($payee->amount), Money::zero());
    }

    /** Whether what is paid out is what comes in. */
    public function tiesOut(): bool
    {
        return $this->paid()->cents === $this->gross->cents;
    }

    /**
     * "$7,940.63 − $395"
     *
     * @param list<int> $parts cents
     */
    private static function formula(array $parts): string
    {
        $said = '';
        foreach ($parts as $index => $cents) {
            $sign = $cents < 0 ? ' − ' : ($index === 0 ? '' : ' + ');
            $said .= $sign.Money::cents(abs($cents));
        }

        return trim($said);
    }

    /** Figures as people read them: "412500.00 × 2.75 %" is "$412,500 × 2.75%". */
    private static function plain(string $text): string
    {
        $shown = (string) preg_replace_callback(
            '/(?<![\d.])(-?)(\d+\.\d\d)(?!\d|\.\d)(?! %)/',
            static fn (array $m) => ($m[1] === '' ? '' : '−').Money::of($m[2]),
            $text,
        );

        return str_replace(' %', '%', $shown);
    }
}
