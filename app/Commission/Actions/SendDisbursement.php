<?php

declare(strict_types=1);

namespace App\Commission\Actions;

use App\Assembly\Actions\KeepReadingCopy;
use App\Assembly\Actions\KeepSet;
use App\History\History;
use App\Models\DealFile;
use App\Models\Disbursement;
use App\Models\User;
use Unanimus\Commission\CommissionRefusal;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\SeenBy;
use Unanimus\Pages\SetOptions;
use Unanimus\Parties\Side;
use Unanimus\Steps\StepRefused;

/** Sends an authorization to escrow by a link, and notes that they have it. */
final class SendDisbursement
{
    /** Days for which the link shows it. */
    private const DAYS = 60;

    public function __construct(private readonly KeepSet $sets, private readonly KeepReadingCopy $copies)
    {
    }

    /** @throws StepRefused when none is in force, or nobody is named */
    public function __invoke(DealFile $file, User $by, ?Side $side, string $name, string $address, string $message): Disbursement
    {
        $disbursement = self::inForce($file, $side);
        // Pressed twice it goes to the same address once.
        if ($disbursement->sent_to === "{$name}\n{$address}") {
            return $disbursement;
        }
        $paper = $disbursement->paper ?? throw CommissionRefusal::NotAuthorized->because();
        $set = $this->sets->begin($file, [$paper], new SetOptions(), $by);
        $message = trim($message) === '' ? (string) __('mail.disbursement.said') : $message;
        $this->copies->give($set, $name, $address, $file->office->today()->plusDays(self::DAYS), $message, $by);
        $disbursement->update(['sent_to' => "{$name}\n{$address}", 'sent_at' => now(), 'received_on' => null, 'received_note' => '']);
        $told = ['number' => $disbursement->number, 'to' => $name];
        History::add($file->brokerage_id, $file->id, 'Disbursement sent', $told, SeenBy::side($side));

        return $disbursement;
    }

    /** @throws StepRefused when none is in force */
    public function received(DealFile $file, ?Side $side, LocalDate $on, string $note): void
    {
        $disbursement = self::inForce($file, $side);
        $disbursement->update(['received_on' => $on, 'received_note' => mb_substr(trim($note), 0, 200)]);
        $told = ['number' => $disbursement->number, 'day' => $on->iso(), 'note' => $disbursement->received_note];
        History::add($file->brokerage_id, $file->id, 'Disbursement received', $told, SeenBy::side($side));
    }

    private static function inForce(DealFile $file, ?Side $side): Disbursement
    {
        $commission = SetCommission::of($file, $side)->lockForUpdate()->first();

        return $commission?->disbursement()->first() ?? throw CommissionRefusal::NotAuthorized->because();
    }
}
