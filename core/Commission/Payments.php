<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Money\Money;
use Unanimus\Steps\StepRefused;

/** What may happen to an authorization: payees are paid what it says, once; from one that was paid from nothing is taken back. */
final class Payments
{
    /**
     * Those who get something by a sheet.
     *
     * @return list<Payee>
     */
    public static function due(CommissionSheet $sheet): array
    {
        return array_values(array_filter($sheet->payees, static fn (Payee $payee) => ! $payee->amount->isZero()));
    }

    /**
     * Refuses an amount that is not what the payee is owed, and a second payment.
     *
     * @throws StepRefused saying what they are owed
     */
    public static function mayPay(Payee $payee, Money $amount, bool $isPaid): void
    {
        $payee->amount->cents === $amount->cents || throw CommissionRefusal::NotOwed->because(
            payee: $payee->name,
            owed: (string) $payee->amount,
            amount: (string) $amount,
        );
        $isPaid && throw CommissionRefusal::AlreadyPaid->because(payee: $payee->name);
    }

    /**
     * Refuses to withdraw an authorization for anyone but a broker, without a reason, and once somebody was paid from it.
     *
     * @throws StepRefused saying why not
     */
    public static function mayWithdraw(bool $byBroker, string $why, bool $isInForce, bool $isPaidFrom): void
    {
        match (true) {
            ! $byBroker => throw CommissionRefusal::OnlyBroker->because(),
            trim($why) === '' => throw CommissionRefusal::NoReason->because(),
            ! $isInForce => throw CommissionRefusal::NotAuthorized->because(),
            $isPaidFrom => throw CommissionRefusal::SaleClosed->because(),
            default => null,
        };
    }

    /** How what came in differs from what a sheet says, in words; empty: it does not. */
    public static function off(Money $wired, Money $gross): string
    {
        $off = $wired->minus($gross);

        return match (true) {
            $off->isZero() => '',
            $off->isNegative() => Money::cents(-$off->cents).' less than the sheet',
            default => "{$off} more than the sheet",
        };
    }
}
