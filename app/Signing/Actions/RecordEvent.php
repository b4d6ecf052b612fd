<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Mail\Post;
use App\Models\Actor;
use App\Models\Event;
use App\Models\Paper;
use App\Models\Round;
use App\Models\Signer;
use App\Signing\Jobs\SealRound;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundState;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SignerStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/**
 * The one way anything happens in a round: the round is locked, its events folded, the new one decided upon, stored once
 * under its key, and what follows set going.
 */
final class RecordEvent
{
    public function __construct(private readonly Actor $actor)
    {
    }

    /**
     * @param string $once the event's key in this round; a second event under it changes nothing
     * @param array{address?: string|null, device?: string|null} $from
     *
     * @throws StepRefused when it may not happen now
     */
    public function __invoke(Round $round, RoundEvent $event, string $once, array $from = []): RoundState
    {
        DB::table('rounds')->where('id', $round->id)->lockForUpdate()->first();
        $round->refresh();
        $round->load(['signers', 'marks', 'events', 'papers']);
        $before = $round->state();
        if ($round->events->contains('once_key', $once)) {
            return $before;
        }
        $event->seat === null ||
            $round->file->status->isOpen() ||
            throw SigningRefusal::DealEnded->because();
        // The clock may pass it while the page is open, before anyone has swept.
        $event->seat !== null &&
            $round->status === RoundStatus::Out &&
            $round->lastMoment()?->isPast(now(), $round->file->office->timeZone()) === true &&
            throw SigningRefusal::Lapsed->because();
        $after = $before->after($event);
        if ($event->kind === EventKind::Opened && $after->signers === $before->signers) {
            return $before;
        }
        Event::create([
            'brokerage_id' => $round->brokerage_id,
            'deal_file_id' => $round->deal_file_id,
            'round_id' => $round->id,
            'seat' => $event->seat,
            'kind' => $event->kind->value,
            // Whoever works on the file may do what the sender may: it is told who did.
            'data' => $event->seat === null ? [...$event->data, 'by' => $this->actor->name()] : $event->data,
            'once_key' => $once,
            'address' => $from['address'] ?? null,
            'device' => mb_strimwidth((string) ($from['device'] ?? ''), 0, 200) ?: null,
            'at' => now(),
        ]);
        $round->rehearsal || $this->tell($round, $event);
        $this->follow($round, $event, $before, $after);

        return $after;
    }

    private function tell(Round $round, RoundEvent $event): void
    {
        if (! in_array($event->kind, [EventKind::Marked, EventKind::Reminded], true)) {
            History::add(
                $round->brokerage_id,
                $round->deal_file_id,
                $event->kind->told($event->data),
                array_filter([
                    'round' => $round->title,
                    'seat' => $event->seat,
                    'where' => $event->seat === null || $event->kind === EventKind::Referred ? $event->data['where'] ?? null : null,
                    'reason' => $event->data['reason'] ?? null,
                    'question' => $event->data['question'] ?? null,
                    'answer' => $event->data['answer'] ?? null,
                    'who' => $event->data['who'] ?? null,
                ]),
                SeenBy::side($round->side),
            );
        }
        if ($event->kind === EventKind::Asked) {
            $signer = $round->signers->firstWhere('seat', $event->seat);
            $signer instanceof Signer && Post::question($round, $signer, (string) ($event->data['question'] ?? ''));
        }
        if (in_array($event->kind, [EventKind::Referred, EventKind::CodeLocked], true)) {
            $signer = $round->signers->firstWhere('seat', $event->seat);
            $signer instanceof Signer && Post::signerStuck($round, $signer, $event);
        }
    }

    private function follow(Round $round, RoundEvent $event, RoundState $before, RoundState $after): void
    {
        foreach ($round->signers as $signer) {
            $status = $after->signers[$signer->seat];
            if ($status !== $before->signers[$signer->seat]) {
                $signer->update(['status' => $status->value]);
                // Whoever comes into a place is written to once they stand in it.
                $status === SignerStatus::Invited && $event->kind !== EventKind::Replaced && $round->countersigns === null &&
                    Post::invitation($round, $signer);
            }
        }
        if ($after->status === $before->status) {
            return;
        }
        $round->update(['status' => $after->status, 'reason' => $after->reason, 'over_at' => $after->status->isOver() ? now() : null]);
        if ($round->rehearsal) {
            return;
        }
        $now = [RoundStatus::Out->value => 'sent', RoundStatus::Complete->value => 'signed'][$after->status->value] ?? null;
        // The sweep sends them within a minute, or tells their sender why not.
        $now === null ||
            $round->next()->where('status', RoundStatus::Drafting)->where('after_when', $now)->update(['send_at' => now()]);
        if ($after->status === RoundStatus::Complete) {
            SealRound::begin($round->brokerage_id, $round->id);
        } elseif ($after->status->isOver()) {
            $this->release($round);
            Post::roundEnded($round, $after);
        }
    }

    /** Papers of a round that came to nothing can be changed again. */
    private function release(Round $round): void
    {
        foreach (
            Paper::query()
                ->whereIn('id', $round->papers->pluck('paper_id'))
                ->where('state', PaperState::Out)
                ->orderBy('id')
                ->lockForUpdate()
                ->get() as $paper
        ) {
            $paper->moveTo($paper->form_number === null ? PaperState::Ready : PaperState::Draft);
        }
    }
}
