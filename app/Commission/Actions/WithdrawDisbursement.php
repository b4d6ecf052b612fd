<?php

declare(strict_types=1);

namespace App\Commission\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\DealFile;
use App\Models\Disbursement;
use App\Models\ReadingCopy;
use App\Models\Role;
use App\Models\User;
use Unanimus\Commission\Payments;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Parties\Side;
use Unanimus\Steps\StepRefused;

/** Withdraws an authorization, with why: the figures are open again, what it counted counts no more, and whoever got it is told. */
final class WithdrawDisbursement
{
    /**
     * @return bool whether somebody was told
     *
     * @throws StepRefused when there is none in force, payees have been paid, no reason is given, or it is not the broker
     */
    public function __invoke(DealFile $file, User $by, ?Side $side, string $why): bool
    {
        $commission = SetCommission::of($file, $side)->lockForUpdate()->first();
        $disbursement = $commission?->disbursement()->first();
        $isPaidFrom = $disbursement?->payments()->exists() ?? false;
        Payments::mayWithdraw($by->holds(Role::Broker, $file->office_id), $why, $disbursement !== null, $isPaidFrom);
        if ($commission === null || $disbursement === null) {
            throw new \LogicException('Withdrawn without an authorization.');
        }
        $disbursement->update([
            'withdrawn_at' => now(),
            'withdrawn_by' => $by->id,
            'withdrawn_why' => mb_substr(trim($why), 0, 500),
        ]);
        $commission->update(['authorized_at' => null, 'authorized_by' => null, 'reckoned' => null, 'price' => null, 'paper_id' => null]);
        $disbursement->paper?->moveTo(PaperState::Void, ['reason' => 'void: the authorization is withdrawn']);
        $told = ['number' => $disbursement->number, 'reason' => trim($why)];
        History::add($file->brokerage_id, $file->id, 'Disbursement withdrawn', $told, SeenBy::side($side));

        return $disbursement->sent_at !== null && $this->tell($file, $disbursement, $by);
    }

    /** Everyone who got it, whoever got it last. */
    private function tell(DealFile $file, Disbursement $disbursement, User $by): bool
    {
        $copies = ReadingCopy::query()
            ->where('deal_file_id', $file->id)
            ->where('email', '<>', '')
            ->whereHas('set', static fn ($sets) => $sets->where('papers', json_encode([$disbursement->paper?->key])))
            ->orderBy('id')
            ->get();
        $copies->whereNull('ended_at')->each->update(['ended_at' => now()]);
        foreach ($copies->unique('email') as $copy) {
            Post::ofFile(
                $file,
                "disbursement-withdrawn:{$disbursement->key}:{$copy->key}",
                new Addressee($copy->name, $copy->email),
                Wording::of('disbursement-withdrawn', [
                    'sender' => $by->name,
                    'file' => $file->name,
                    'number' => $disbursement->number,
                    'reason' => $disbursement->withdrawn_why,
                ]),
            );
        }

        return true;
    }
}
