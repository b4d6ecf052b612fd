<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Money\Money;

/** Who is paid by escrow, and who by the company from its part: together what the sheet says. */
final readonly class PayOut
{
    /**
     * @param list<Payee> $byEscrow
     * @param list<Payee> $byCompany
     */
    private function __construct(public array $byEscrow, public array $byCompany)
    {
    }

    /**
     * @param bool $agentsDirect whether escrow pays agents
     * @param bool $referralDirect whether escrow pays the firm that referred the client
     * @param string $referral what that firm is called on the sheet
     */
    public static function of(CommissionSheet $sheet, bool $agentsDirect, bool $referralDirect, string $referral): self
    {
        $escrow = $company = [];
        $through = Money::zero();
        foreach ($sheet->payees as $payee) {
            $direct = match (true) {
                $payee->role === 'agent' => $agentsDirect,
                $payee->role === 'outside' && $payee->name === $referral => $referralDirect,
                default => true,
            };
            if ($direct) {
                $escrow[] = $payee;
            } elseif (! $payee->amount->isZero()) {
                $company[] = $payee;
                $through = $through->plus($payee->amount);
            }
        }
        $isCompany = static fn (Payee $payee) => $payee->role === 'company';
        if (! $through->isZero()) {
            $escrow = array_map(static fn (Payee $payee) => $isCompany($payee)
                ? new Payee($payee->name, $payee->role, $payee->amount->plus($through), "{$payee->amount} and {$through} for others")
                : $payee, $escrow);
        }

        return new self(array_values(array_filter($escrow, static fn (Payee $payee) => ! $payee->amount->isZero())), $company);
    }

    /** What escrow pays together. */
    public function total(): Money
    {
        return array_reduce($this->byEscrow, static fn (Money $sum, Payee $payee) => $sum->plus($payee->amount), Money::zero());
    }
}
