<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Money\Percent;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Term;

/**
 * What a person has entered for one side's commission: nothing is computed but from this, the price, and the agents' plans.
 */
final readonly class Entered
{
    /** The ways a percentage of the price may be meant. */
    public const BASES = ['price', 'price_less_concessions'];

    /** Fees that a sheet takes. */
    public const FEES = 20;

    private const LONGEST = 60;

    /**
     * @param array<string, mixed> $kept as stored: decimals as text, nothing that was left empty
     */
    private function __construct(public array $kept)
    {
    }

    /** @param  array<string, mixed>  $kept  as stored */
    public static function fromArray(array $kept): self
    {
        return new self($kept);
    }

    /**
     * Reads it as typed.
     *
     * @param array<string, mixed> $typed
     *
     * @throws AmountUnreadable when an entry is no amount or percentage
     * @throws StepRefused when a fee is negative, or goes from the company to itself
     */
    public static function read(array $typed): self
    {
        $text = static fn (string $name): string => trim((string) ($typed[$name] ?? ''));
        $kept = [
            'rate' => Percent::of($text('rate'))->decimal(),
            'base' => in_array($text('base'), self::BASES, true) ? $text('base') : 'price',
        ];
        foreach (['flat', 'minimum', 'credit', 'bonus', 'deduction'] as $name) {
            $text($name) === '' || ($kept[$name] = Money::parse($text($name))->decimal());
        }
        foreach (['reduced', 'referral', 'franchise'] as $name) {
            $text($name) === '' || ($kept[$name] = Percent::of($text($name))->decimal());
        }
        isset($kept['bonus']) && ($kept['bonus_through'] = $text('bonus_through') === 'straight' ? 'straight' : 'split');
        isset($kept['referral']) && ($kept['referral_of'] = $text('referral_of') === 'gross_less_credits' ? 'gross_less_credits' : 'gross');
        isset($kept['franchise']) && ($kept['franchise_when'] = $text('franchise_when') === 'after' ? 'after' : 'before');
        foreach (['referral_to', 'franchise_to', 'deduction_label', 'note'] as $name) {
            $text($name) === '' || ($kept[$name] = mb_strimwidth($text($name), 0, $name === 'note' ? 500 : self::LONGEST));
        }
        $kept['agents'] = array_map(
            static fn (mixed $percent) => Percent::of(trim((string) $percent))->decimal(),
            array_filter((array) ($typed['shares'] ?? []), static fn (mixed $percent) => trim((string) $percent) !== ''),
        );
        $kept['splits'] = array_map(
            static fn (mixed $percent) => Percent::of(trim((string) $percent))->decimal(),
            array_filter((array) ($typed['splits'] ?? []), static fn (mixed $percent) => trim((string) $percent) !== ''),
        );
        $kept['fees'] = self::fees((array) ($typed['fees'] ?? []));

        return new self($kept);
    }

    /**
     * @param array<int|string, mixed> $typed
     * @return list<array<string, string|bool>>
     */
    private static function fees(array $typed): array
    {
        $fees = [];
        foreach (array_slice(array_values($typed), 0, self::FEES) as $fee) {
            $fee = (array) $fee;
            $amount = trim((string) ($fee['amount'] ?? ''));
            $label = mb_strimwidth(trim((string) ($fee['label'] ?? '')), 0, self::LONGEST);
            if ($amount === '' && $label === '') {
                continue;
            }
            $payer = in_array($fee['payer'] ?? '', ['company', 'client'], true) ? (string) $fee['payer'] : 'agent';
            $payee = trim((string) ($fee['payee'] ?? ''));
            if ($payer === 'company' && $payee === '') {
                throw CommissionRefusal::CompanyToCompany->because(label: $label === '' ? 'Fee' : $label);
            }
            $amount === '' || ! Money::parse($amount)->isNegative() || throw CommissionRefusal::FeeNegative->because();
            $fees[] = [
                'label' => $label === '' ? 'Fee' : $label,
                // Not known yet: said, and no release.
                'amount' => $amount === '' ? '' : Money::parse($amount)->decimal(),
                'payer' => $payer,
                'payee' => mb_strimwidth($payee, 0, self::LONGEST),
                'counts' => ($fee['counts'] ?? '') === '1',
            ];
        }

        return $fees;
    }

    /** @return array<string, string|bool>|null the fee that the agent pays the company, entered with the split; null: none was */
    public function flatFee(): ?array
    {
        $first = $this->kept['fees'][0] ?? null;
        $isFlat = $first !== null && $first['payer'] === 'agent' && $first['payee'] === '' && $first['amount'] !== '';

        return $isFlat ? $first : null;
    }

    /** @return list<array<string, string|bool>> the fees in rows of their own */
    public function otherFees(): array
    {
        return array_slice(array_values($this->kept['fees'] ?? []), $this->flatFee() === null ? 0 : 1);
    }

    /** A stored figure as it was meant; empty: none. */
    public function value(string $name): string
    {
        $value = $this->kept[$name] ?? '';

        return is_string($value) ? $value : '';
    }

    /**
     * As the reckoning takes it.
     *
     * @param array<string, array<string, mixed>> $agents plan and totals so far, by the name agents go under here, in their order
     * @return array<string, mixed>
     */
    public function given(Facts $facts, string $price, string $closing, array $agents): array
    {
        $side = [
            'side' => 'one',
            'price' => $price,
            'concessions' => (string) ($facts->value(Term::Concessions->value) ?: '0'),
            'base' => $this->value('base') ?: 'price',
            'lines' => [
                ['kind' => 'percent', 'label' => 'Commission', 'percent' => $this->value('rate')],
                ...$this->value('flat') === '' ? [] : [['kind' => 'flat', 'label' => 'Flat', 'amount' => $this->value('flat')]],
            ],
            'agents' => $this->shares(array_keys($agents)),
            'fees' => array_map(self::fee(...), $this->kept['fees'] ?? []),
        ];
        $this->value('minimum') === '' || ($side['minimum'] = $this->value('minimum'));
        $this->value('reduced') === '' || ($side['reducedRate'] = $this->value('reduced'));
        $this->value('credit') === '' || ($side['credits'] = [['amount' => $this->value('credit'), 'to' => 'client']]);
        $this->value('bonus') === '' || ($side['bonuses'] = [[
            'amount' => $this->value('bonus'),
            'through' => $this->value('bonus_through'),
            'to' => (string) array_key_first($agents),
        ]]);
        $this->value('referral') === '' || ($side['referralsOut'] = [[
            'percent' => $this->value('referral'),
            'of' => $this->value('referral_of'),
            'to' => $this->value('referral_to') ?: 'referral firm',
        ]]);
        $this->value('franchise') === '' || ($side['franchise'] = [
            'percent' => $this->value('franchise'),
            'when' => $this->value('franchise_when'),
            'by' => 'company',
            'to' => $this->value('franchise_to') ?: 'franchise',
        ]);
        $this->value('deduction') === '' || ($side['deductions'] = [[
            'amount' => $this->value('deduction'),
            'label' => $this->value('deduction_label') ?: 'Deduction',
            'to' => 'company',
        ]]);

        return ['closing' => $closing, 'agents' => $agents, 'sides' => [$side]];
    }

    /**
     * @param list<string> $agents
     * @return list<array{id: string, share: string}>
     */
    private function shares(array $agents): array
    {
        $typed = (array) ($this->kept['agents'] ?? []);

        return array_map(static fn (string $id) => [
            'id' => $id,
            // One agent has all of it; several have what was entered, and no more.
            'share' => count($agents) === 1 ? '100' : (string) ($typed[$id] ?? '0'),
        ], $agents);
    }

    /**
     * @param array<string, mixed> $fee
     * @return array<string, mixed>
     */
    private static function fee(array $fee): array
    {
        return [
            'label' => $fee['label'],
            'payer' => $fee['payer'],
            'payee' => $fee['payee'] === '' ? 'company' : $fee['payee'],
            'countsToCap' => $fee['counts'],
            ...$fee['amount'] === '' ? ['open' => true] : ['amount' => $fee['amount']],
        ];
    }
}
