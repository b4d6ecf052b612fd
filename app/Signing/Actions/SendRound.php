<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Models\Round;
use App\Papers\Actions\FixPaper;
use App\Signing\ToRead;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundFault;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** Sends a round: the papers' bytes are fixed, and the first turn is invited. Sent twice, it goes out once. */
final class SendRound
{
    public function __construct(
        private readonly FixPaper $fix,
        private readonly RecordEvent $record,
        private readonly ToRead $toRead,
    ) {
    }

    /** @throws StepRefused when something is missing; the message says what */
    public function __invoke(Round $round): void
    {
        DB::table('rounds')->where('id', $round->id)->lockForUpdate()->first();
        $round->refresh();
        if ($round->status !== RoundStatus::Drafting) {
            return;
        }
        DB::table('papers')
            ->whereIn('id', $round->papers->pluck('paper_id'))
            ->orderBy('id')
            ->lockForUpdate()
            ->get(['id']);
        $round->load(['papers.paper.values', 'papers.paper.latest', 'signers', 'marks']);
        $faults = array_values(array_filter(ComposeRound::faults($round), static fn (RoundFault $fault) => $fault->kind->isBlocking()));
        if ($faults !== []) {
            $more = count($faults) - 1;
            throw SigningRefusal::RoundHasFaults->because(faults: $faults[0]->text.($more > 0 ? " And {$more} more." : ''));
        }
        foreach ($round->papers as $sent) {
            $version = ($this->fix)($sent->paper, MadeBy::Sent, 'sent for signature', $round->user_id);
            $sent->update(['sha256' => $version->sha256, 'pages' => $version->pages]);
            $sent->paper->moveTo(PaperState::Out);
        }
        DB::table('desk_steps')->where('round_id', $round->id)->delete();
        $round->update([
            'sent_at' => now(),
            'to_read' => $this->toRead->of($round),
            'date_look' => $round->file->office->date_look,
        ]);
        ($this->record)(
            $round,
            new RoundEvent(EventKind::Sent, null, ['places' => $round->load(['papers', 'marks'])->sentDigest()]),
            'sent',
        );
    }
}
