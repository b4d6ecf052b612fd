<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Money\Money;
use Unanimus\Steps\StepRefused;

/**
 * The computation of one file's commission: every step with its formula, and who is paid what.
 * What is paid out always adds up to what comes in, to the cent.
 */
final readonly class CommissionSheet
{
    /**
     * @param list<Step> $steps in order
     * @param list<Payee> $payees who gets what at closing
     */
    private function __construct(public Money $price, public Money $gross, public array $steps, public array $payees)
    {
    }

    /**
     * Computes the sheet.
     *
     * @throws StepRefused when the fee is more than the agent's share
     */
    public static function of(Entries $entries): self
    {
        $gross = $entries->price->share($entries->rate);
        $share = $gross->share($entries->agentShare);
        $company = $gross->minus($share);
        if ($entries->fee->isNegative()) {
            throw CommissionRefusal::FeeNegative->because();
        }
        if ($entries->fee->exceeds($share)) {
            throw CommissionRefusal::FeeTooLarge->because(fee: $entries->fee, share: $share);
        }
        $agentNet = $share->minus($entries->fee);
        $companyNet = $company->plus($entries->fee);
        $steps = [
            new Step('Price', 'sale price', $entries->price),
            new Step('Gross commission', "{$entries->price} × {$entries->rate}", $gross),
            new Step("{$entries->agent}, share", "{$gross} × {$entries->agentShare}", $share),
            new Step("{$entries->company}, share", "{$gross} − {$share}", $company),
            new Step($entries->feeName, 'flat, paid by the agent to the company', $entries->fee),
        ];

        return new self($entries->price, $gross, $steps, [
            new Payee($entries->agent, 'agent', $agentNet, "{$share} − {$entries->fee}"),
            new Payee($entries->company, 'company', $companyNet, "{$company} + {$entries->fee}"),
        ]);
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
}
