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
     * @throws StepRefused when there is no line, a line or fee does not say what it is of, or a fee goes from the company to itself
     */
    public static function read(array $typed): self
    {
        $text = static fn (string $name): string => trim((string) ($typed[$name] ?? ''));
        $kept = ['base' => in_array($text('base'), self::BASES, true) ? $text('base') : 'price'];
        $text('rate') === '' || ($kept['rate'] = Percent::of($text('rate'))->decimal());
        foreach (['flat', 'minimum', 'maximum', 'bonus', 'franchise_cap', 'franchise_paid'] as $name) {
            $text($name) === '' || ($kept[$name] = Money::parse($text($name))->decimal());
        }
        $text('reduced') === '' || ($kept['reduced'] = Percent::of($text('reduced'))->decimal());
        foreach (['credit', 'deduction'] as $name) {
            $text($name) === '' || ($kept[$name] = Figure::dollars($text($name)));
        }
        foreach (['referral', 'franchise'] as $name) {
            $text($name) === '' || ($kept[$name] = Figure::percent($text($name)));
        }
        $lines = LineEntered::read((array) ($typed['lines'] ?? []));
        $lines === [] || ($kept['lines'] = $lines);
        isset($kept['rate']) || isset($kept['flat']) || $lines !== [] || throw CommissionRefusal::NoLine->because();
        isset($kept['bonus']) && ($kept['bonus_through'] = $text('bonus_through') === 'straight' ? 'straight' : 'split');
        isset($kept['referral']) && ($kept['referral_of'] = $text('referral_of') === 'gross_less_credits' ? 'gross_less_credits' : 'gross');
        if (isset($kept['franchise'])) {
            $kept['franchise_when'] = $text('franchise_when') === 'after' ? 'after' : 'before';
            $kept['franchise_by'] = $text('franchise_by') === 'agents' ? 'agents' : 'company';
            $kept['franchise_per'] = $text('franchise_per') === 'office' ? 'office' : 'agent';
        }
        foreach (['referral_to', 'franchise_to', 'franchise_agent', 'bonus_to', 'deduction_label', 'deduction_to', 'note'] as $name) {
            $text($name) === '' || ($kept[$name] = mb_strimwidth($text($name), 0, $name === 'note' ? 500 : self::LONGEST));
        }
        foreach (['agents' => 'shares', 'splits' => 'splits'] as $as => $name) {
            $given = array_filter((array) ($typed[$name] ?? []), static fn (mixed $percent) => trim((string) $percent) !== '');
            $kept[$as] = array_map(static fn (mixed $percent) => Percent::of(trim((string) $percent))->decimal(), $given);
        }
        $kept['fees'] = FeeEntered::read((array) ($typed['fees'] ?? []));

        return new self($kept);
    }

    /** @return array<string, string|bool>|null the fee that the agent pays the company, entered with the split; null: none was */
    public function flatFee(): ?array
    {
        $first = $this->kept['fees'][0] ?? null;
        $isFlat = $first !== null && $first['payer'] === 'agent' && $first['payee'] === '' && $first['amount'] !== ''
            && array_diff(array_keys($first), ['label', 'amount', 'payer', 'payee', 'counts']) === [];

        return $isFlat ? $first : null;
    }

    /** @return list<array<string, string|bool>> the fees in rows of their own */
    public function otherFees(): array
    {
        return array_slice(array_values($this->kept['fees'] ?? []), $this->flatFee() === null ? 0 : 1);
    }

    /** @return list<array<string, string>> lines besides the percentage of the price */
    public function lines(): array
    {
        return array_values($this->kept['lines'] ?? []);
    }

    /** A stored figure as it was meant; empty: none. */
    public function value(string $name): string
    {
        $value = $this->kept[$name] ?? '';

        return is_string($value) ? $value : '';
    }

    /**
     * One side as the reckoning takes it.
     *
     * @param list<string> $agents the names they go under here, in their order
     * @param array{franchise?: string, fees?: array<string, array<string, string>>} $soFar what was paid of yearly caps: to the franchise,
     *                                                                                      and by label and agent
     * @return array<string, mixed>
     */
    public function side(Facts $facts, string $side, string $price, array $agents, array $soFar = []): array
    {
        $rate = $this->value('rate');
        $given = [
            'side' => $side,
            'price' => $price,
            'concessions' => (string) ($facts->value(Term::Concessions->value) ?: '0'),
            'base' => $this->value('base') ?: 'price',
            'lines' => [
                ...$rate === '' ? [] : [['kind' => 'percent', 'label' => 'Commission', 'percent' => $rate]],
                ...array_map(LineEntered::given(...), $this->lines()),
                ...$this->value('flat') === '' ? [] : [['kind' => 'flat', 'label' => 'Flat', 'amount' => $this->value('flat')]],
            ],
            'agents' => $this->shares($agents),
            'fees' => array_map(
                static fn (array $fee) => FeeEntered::given($fee, $soFar['fees'][(string) $fee['label']] ?? []),
                $this->kept['fees'] ?? [],
            ),
        ];
        foreach (['minimum' => 'minimum', 'maximum' => 'maximum', 'reduced' => 'reducedRate'] as $from => $to) {
            $this->value($from) === '' || ($given[$to] = $this->value($from));
        }

        return [...$given, ...$this->offTheTop($agents, $soFar['franchise'] ?? '0')];
    }

    /**
     * A deal with that side alone, as the reckoning takes it.
     *
     * @param array<string, array<string, mixed>> $agents plan and totals so far, by the name agents go under here, in their order
     * @return array<string, mixed>
     */
    public function given(Facts $facts, string $price, string $closing, array $agents): array
    {
        return ['closing' => $closing, 'agents' => $agents, 'sides' => [$this->side($facts, 'one', $price, array_keys($agents))]];
    }

    /** Whose yearly cap on the franchise fee counts: an agent's, under the name they go under here; empty: the office's. */
    public function franchiseOf(string $first): string
    {
        return $this->value('franchise_per') === 'office' ? '' : ($this->value('franchise_agent') ?: $first);
    }

    /**
     * @param list<string> $agents
     * @return array<string, mixed>
     */
    private function offTheTop(array $agents, string $franchisePaid): array
    {
        $given = [];
        $this->value('credit') === '' || ($given['credits'] = [[...Figure::given($this->value('credit')), 'to' => 'client']]);
        $this->value('bonus') === '' || ($given['bonuses'] = [[
            'amount' => $this->value('bonus'),
            'through' => $this->value('bonus_through'),
            'to' => in_array($this->value('bonus_to'), $agents, true) ? $this->value('bonus_to') : ($agents[0] ?? 'company'),
        ]]);
        $this->value('referral') === '' || ($given['referralsOut'] = [[
            ...Figure::given($this->value('referral')),
            'of' => $this->value('referral_of'),
            'to' => $this->value('referral_to') ?: 'referral firm',
        ]]);
        if ($this->value('franchise') !== '') {
            $given['franchise'] = [
                ...Figure::given($this->value('franchise')),
                'when' => $this->value('franchise_when'),
                'by' => $this->value('franchise_by') ?: 'company',
                'to' => $this->value('franchise_to') ?: 'franchise',
            ];
            $this->value('franchise_cap') === '' || ($given['franchise'] += [
                'cap' => $this->value('franchise_cap'),
                'paid' => Money::of($franchisePaid)->plus(Money::of($this->value('franchise_paid') ?: '0'))->decimal(),
                'capPer' => $this->value('franchise_per') ?: 'agent',
                'agent' => $this->franchiseOf($agents[0] ?? ''),
            ]);
        }
        $this->value('deduction') === '' || ($given['deductions'] = [[
            ...Figure::given($this->value('deduction')),
            'label' => $this->value('deduction_label') ?: 'Deduction',
            'to' => $this->value('deduction_to') ?: 'company',
        ]]);

        return $given;
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
}
