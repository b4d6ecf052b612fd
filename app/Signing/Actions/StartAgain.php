<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\Paper;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\User;
use App\Signing\RoundCopy;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Signing\RoundPlan;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** A round that ended without everyone’s signature is begun again from the same papers, places, people and words. */
final class StartAgain
{
    public function __construct(private readonly ComposeRound $compose)
    {
    }

    /** @throws StepRefused when it has not ended so, or a paper of it cannot go out */
    public function __invoke(Round $ended, User $by): Round
    {
        $hasEnded =
            ! $ended->rehearsal &&
            in_array($ended->status, [RoundStatus::Recalled, RoundStatus::Declined, RoundStatus::Lapsed], true);
        $hasEnded || throw SigningRefusal::NotEnded->because();
        DB::table('rounds')->where('id', $ended->id)->lockForUpdate()->value('id');
        // Pressed twice, or in two tabs, it is begun once.
        $begun = Round::query()->where('again_of', $ended->id)->where('status', RoundStatus::Drafting)->first();
        if ($begun !== null) {
            return $begun;
        }
        $ended->load(['papers.paper', 'signers', 'marks', 'file.office', 'file.parties.contact']);
        $papers = array_values($ended->papers->map(static fn (RoundPaper $sent) => $sent->paper)->all());
        RoundPlan::mustGoOut(array_map(static fn (Paper $paper) => [$paper->title, $paper->state], $papers));
        $round = Round::create([
            ...$ended->only(['side', 'brokerage_id', 'deal_file_id', 'title', 'subject', 'message', 'attach', 'copies']),
            'again_of' => $ended->id,
            'user_id' => $by->id,
            'last_day' => $ended->file->office->today()->plusDays(RoundPlan::DAYS),
        ]);
        RoundCopy::into($ended, $round);
        // What was added before the round ended is in the file.
        $added = $ended->load('events')->state()->added;
        foreach ($round->signers()->get() as $signer) {
            $signer->update(['asks' => array_values(array_filter($signer->asks, static fn (array $ask) => ! isset($added[$ask['key']])))]);
        }
        History::add(
            $round->brokerage_id,
            $round->deal_file_id,
            'Round drafted',
            ['round' => $round->title, 'again' => $ended->key],
            SeenBy::side($round->side),
        );

        return $round;
    }

    /**
     * A round of its own to the same people, for a paper that was forgotten: same words, same turns, its own places.
     *
     * @throws StepRefused when nothing went out yet, or the paper cannot go out
     */
    public function forgotten(Round $out, Paper $paper, User $by): Round
    {
        ($out->status !== RoundStatus::Drafting && ! $out->rehearsal) || throw SigningRefusal::NotSent->because();
        DB::table('rounds')->where('id', $out->id)->lockForUpdate()->value('id');
        $begun = Round::query()
            ->where('user_id', $by->id)
            ->where('status', RoundStatus::Drafting)
            ->where('created_at', '>', now()->subMinute())
            ->whereHas('papers', static fn ($papers) => $papers->where('paper_id', $paper->id))
            ->first();
        if ($begun !== null) {
            return $begun;
        }
        $round = ($this->compose)($out->file, [$paper], $by);
        $out->load(['signers', 'file.office', 'file.parties.contact']);
        $round->update($out->only(['message', 'attach', 'copies', 'last_day', 'last_time']));
        $here = $round->signers()->pluck('seat')->all();
        foreach ($out->signers as $signer) {
            in_array($signer->seat, $here, true) || RoundCopy::askAgain($out, $round, $signer);
        }

        return $round;
    }
}
