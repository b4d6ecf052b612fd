<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\Party;
use App\Models\Round;
use App\Models\Signer;
use App\Signing\RoundChange;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Signing\LastMoment;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** Changes a round that has not been sent. */
final class ChangeRound
{
    public function __construct(private readonly KeepCode $codes)
    {
    }

    /** @throws StepRefused when it has been sent, or its last day is past */
    public function __invoke(Round $round, RoundChange $change): void
    {
        $this->mustBeDraft($round);
        $last = $change->lastDay === null ? null : new LastMoment($change->lastDay, $change->lastTime);
        // One that has passed meanwhile does not keep the rest from being stored; it is told before the round is sent.
        if ($last != $round->lastMoment() && $last?->isPast(now(), $round->file->office->timeZone()) === true) {
            throw SigningRefusal::LastDayPassed->because();
        }
        $round->update([
            'subject' => trim($change->subject),
            'message' => $change->message,
            'last_day' => $change->lastDay,
            'last_time' => $change->lastTime?->stored(),
            'copies' => $change->copies,
            'attach' => $change->attach,
        ]);
        $changed = $round->wasChanged();
        foreach ($round->signers as $signer) {
            $changed = $this->changeSigner($round, $signer, $change) || $changed;
            isset($change->codes[$signer->key]) &&
                $round->file->isOwnAffair($signer->seatOf()->side()) &&
                $this->codes->set($round, $signer, $change->codes[$signer->key]);
        }
        $changed &&
            History::add(
                $round->brokerage_id,
                $round->deal_file_id,
                'Round changed',
                ['round' => $round->title, 'until' => $change->lastDay?->iso()],
                SeenBy::side($round->side),
            );
    }

    private function changeSigner(Round $round, Signer $signer, RoundChange $change): bool
    {
        $signer->update([
            'turn' => $change->turns[$signer->key] ?? $signer->turn,
            'note' => trim($change->notes[$signer->key] ?? $signer->note),
            'language' => $change->languages[$signer->key] ?? $signer->language,
        ]);
        // What they read the next time, too.
        $signer->wasChanged('language') && Party::query()->whereKey($signer->party_id)->update(['language' => $signer->language->value]);
        $address = trim($change->addresses[$signer->key] ?? '');
        // A colleague is written to at the address of their own account, whoever sends.
        $isTheirOwn = $signer->party?->user_id !== null || ! $round->file->isOwnAffair($signer->seatOf()->side());
        if ($address === '' || $address === $signer->email || $isTheirOwn) {
            return $signer->wasChanged();
        }
        $signer->update(['email' => $address]);
        $signer->party?->reach(['email' => $address]);

        return true;
    }

    /** @throws StepRefused when it has been sent */
    public function removeSigner(Round $round, Signer $signer): void
    {
        $this->mustBeDraft($round);
        $round->marks()->where('seat', $signer->seat)->delete();
        $signer->delete();
        History::add(
            $round->brokerage_id,
            $round->deal_file_id,
            'Signer removed from round',
            ['round' => $round->title, 'seat' => $signer->seat, 'person' => $signer->name],
            SeenBy::side($round->side),
        );
    }

    /** @throws StepRefused when it has been sent */
    public function discard(Round $round): void
    {
        $this->mustBeDraft($round);
        $round->delete();
        History::add($round->brokerage_id, $round->deal_file_id, 'Round discarded', ['round' => $round->title], SeenBy::side($round->side));
    }

    /** Held until the transaction ends: it is not sent from another tab while it is changed here. */
    private function mustBeDraft(Round $round): void
    {
        RoundStatus::from((string) DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('status'))->mustBeDraft();
    }
}
