<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\Paper;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** The papers of a round that has not been sent: more of them, fewer, in another order, and which pages were looked at. */
final class ArrangePapers
{
    public function __construct(private readonly PutPapers $put)
    {
    }

    /**
     * Adds papers behind the others; one that is in it already stays as it is.
     *
     * @param list<Paper> $papers
     *
     * @throws StepRefused when the round was sent or a paper cannot go out
     */
    public function add(Round $round, array $papers, User $by): int
    {
        $this->lock($round);
        $there = $round->papers()->pluck('paper_id')->all();
        $new = array_values(array_filter($papers, static fn (Paper $paper) => ! in_array($paper->id, $there, true)));
        if ($new === []) {
            return 0;
        }
        ($this->put)($round, $new, $by);
        $round->side === null && $round->update(['side' => collect($new)->pluck('side')->filter()->first()]);
        $this->tell($round, 'Papers added to round', implode(', ', array_map(static fn (Paper $paper) => $paper->title, $new)));

        return count($new);
    }

    /** Takes a paper out with its marks. @throws StepRefused when the round was sent, or it is the only one */
    public function takeOut(Round $round, int $position): void
    {
        $this->lock($round);
        $sent = $round->papers()->where('position', $position)->first();
        if ($sent === null) {
            return;
        }
        $round->papers()->count() > 1 || throw SigningRefusal::NoPapers->because();
        $signed = $round->marks()->where('round_paper_id', $sent->id)->pluck('seat')->unique();
        $sent->delete();
        // Who was asked for this paper alone is asked no more.
        foreach ($signed->diff($round->marks()->pluck('seat')->unique()) as $seat) {
            $round->signers()->where('seat', $seat)->delete();
        }
        $this->tell($round, 'Paper taken out of round', $sent->title);
    }

    /**
     * @param list<int> $positions of all its papers, in the new order
     *
     * @throws StepRefused when the round was sent, or its papers have changed meanwhile
     */
    public function order(Round $round, array $positions): void
    {
        $this->lock($round);
        $papers = $round->papers()->get()->keyBy('position');
        if ($papers->keys()->sort()->values()->all() !== collect($positions)->sort()->values()->all()) {
            throw SigningRefusal::PapersChanged->because();
        }
        foreach ($positions as $place => $position) {
            $papers[$position]?->update(['place' => $place]);
        }
        $this->tell($round, 'Papers of round put in order', $round->papers()->pluck('title')->implode(', '));
    }

    /** A page was looked at, which is no change of the round. Whether it was the last one of its paper. */
    public function looked(Round $round, int $position, int $page): bool
    {
        // The page that is told of last may come after the round was sent.
        if (DB::table('rounds')->where('id', $round->id)->sharedLock()->value('status') !== RoundStatus::Drafting->value) {
            return false;
        }
        $sent = RoundPaper::query()->where('round_id', $round->id)->where('position', $position)->lockForUpdate()->first();
        if ($sent === null || $page > $sent->pages || in_array($page, $sent->seen, true)) {
            return false;
        }
        $sent->update(['seen' => [...$sent->seen, $page]]);

        return count($sent->seen) === $sent->pages;
    }

    private function lock(Round $round): void
    {
        RoundStatus::from((string) DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('status'))->mustBeDraft();
    }

    private function tell(Round $round, string $what, string $papers): void
    {
        $data = ['round' => $round->title, 'papers' => $papers];
        History::add($round->brokerage_id, $round->deal_file_id, $what, $data, SeenBy::side($round->side));
    }
}
