<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\Party;
use App\Models\Round;
use App\Models\Signer;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\SeenBy;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** Changes a round that has not been sent. */
final class ChangeRound
{
    /**
     * @param array<string, int> $turns by signer's key
     * @param array<string, string> $addresses by signer's key; an empty one leaves the address as it is
     *
     * @throws StepRefused when it has been sent, or its last day is past
     */
    public function __invoke(Round $round, string $message, ?LocalDate $lastDay, array $turns, array $addresses): void
    {
        $this->mustBeDraft($round);
        if ($lastDay !== null && $lastDay->isBefore($round->file->office->today())) {
            throw SigningRefusal::LastDayPassed->because();
        }
        $round->update(['message' => $message, 'last_day' => $lastDay]);
        $changed = $round->wasChanged();
        foreach ($round->signers as $signer) {
            $signer->update(['turn' => $turns[$signer->key] ?? $signer->turn]);
            $changed = $signer->wasChanged() || $changed;
            $address = trim($addresses[$signer->key] ?? '');
            if ($address !== '' && $address !== $signer->email && $round->file->isOwnAffair($signer->seatOf()->side())) {
                $signer->update(['email' => $address]);
                Party::query()
                    ->findOrFail($signer->party_id)
                    ->reach(['email' => $address]);
                $changed = true;
            }
        }
        $changed &&
            History::add(
                $round->brokerage_id,
                $round->deal_file_id,
                'Round changed',
                ['round' => $round->title, 'until' => $lastDay?->iso()],
                SeenBy::side($round->side),
            );
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
