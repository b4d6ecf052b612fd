<?php

declare(strict_types=1);

namespace App\Commission\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Disbursement;
use App\Models\Payment;
use App\Models\User;
use Unanimus\Commission\CommissionRefusal;
use Unanimus\Commission\Payee;
use Unanimus\Commission\Payments;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\SeenBy;
use Unanimus\Money\Money;
use Unanimus\Parties\Side;
use Unanimus\Steps\StepRefused;

/** Notes what escrow says it sent, and who was paid what and when: with the last payee the sheet is closed. */
final class KeepPayments
{
    /** How somebody is paid. */
    public const HOW = ['escrow' => 'by escrow', 'transfer' => 'transfer', 'check' => 'check'];

    /** @throws StepRefused when no authorization is in force */
    public function wired(DealFile $file, ?Side $side, Money $amount, LocalDate $on): Disbursement
    {
        $disbursement = self::inForce($file, $side);
        // Pressed twice it is noted once.
        if ($disbursement->wired?->cents === $amount->cents && $disbursement->wired_on?->iso() === $on->iso()) {
            return $disbursement;
        }
        $disbursement->update(['wired' => $amount, 'wired_on' => $on]);
        $told = ['wired' => $amount->decimal(), 'day' => $on->iso(), 'off' => Payments::off($amount, $disbursement->gross)];
        History::add($file->brokerage_id, $file->id, 'Wired', $told, SeenBy::side($side));

        return $disbursement;
    }

    /**
     * Each payee is paid once, what the sheet says.
     *
     * @throws StepRefused when no authorization is in force, the payee gets another amount, or was paid already
     */
    public function paid(
        DealFile $file,
        ?Side $side,
        User $by,
        string $payee,
        Money $amount,
        string $how,
        string $reference,
        LocalDate $on,
    ): Payment {
        $disbursement = self::inForce($file, $side);
        $owed = collect($disbursement->payees())->first(static fn (Payee $one) => $one->name === $payee) ?? abort(404);
        Payments::mayPay($owed, $amount, $disbursement->payments()->where('payee', $payee)->exists());
        $payment = Payment::create([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'disbursement_id' => $disbursement->id,
            'side' => $side,
            'payee' => $payee,
            'amount' => $amount,
            'how' => $how,
            'reference' => mb_substr(trim($reference), 0, 60),
            'paid_on' => $on,
            'user_id' => $by->id,
        ]);
        History::add($file->brokerage_id, $file->id, 'Paid', [
            'payee' => $payee,
            'paid' => $amount->decimal(),
            'day' => $on->iso(),
            'how' => self::HOW[$how],
            'reference' => $payment->reference,
        ], SeenBy::side($side));

        return $payment;
    }

    /**
     * A payment that was noted by mistake; it stays, struck, with why.
     *
     * @throws StepRefused when no authorization is in force, or no reason is given
     */
    public function strike(DealFile $file, ?Side $side, string $payee, string $why): void
    {
        trim($why) !== '' || throw CommissionRefusal::NoReason->because();
        $payment = self::inForce($file, $side)->payments()->where('payee', $payee)->first();
        if ($payment === null) {
            return;
        }
        $payment->update(['struck_at' => now(), 'struck_why' => mb_substr(trim($why), 0, 200)]);
        $told = ['payee' => $payee, 'paid' => $payment->amount->decimal(), 'why' => trim($why)];
        History::add($file->brokerage_id, $file->id, 'Not paid after all', $told, SeenBy::side($side));
    }

    private static function inForce(DealFile $file, ?Side $side): Disbursement
    {
        $commission = SetCommission::of($file, $side)->lockForUpdate()->first();

        return $commission?->disbursement()->first() ?? throw CommissionRefusal::NotAuthorized->because();
    }
}
