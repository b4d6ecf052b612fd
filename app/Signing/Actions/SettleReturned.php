<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\Paper;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\SigningMark;
use App\Models\User;
use App\Models\WorkingCopy;
use App\Models\WorkingCopyPaper;
use App\Papers\Actions\CareForPaper;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** What a guest's clients signed comes back: proposed to the file, and after a look taken as the next version, or left. */
final class SettleReturned
{
    public function __construct(private readonly CareForPaper $care)
    {
    }

    /**
     * Notes what a sealed round of a guest brings back, in the application's own sight.
     *
     * @param array<int, array{string, int}> $sealed SHA-256 and pages by the round's paper
     */
    public function bringBack(Round $round, array $sealed): void
    {
        $copy = WorkingCopy::query()->with(['file.office', 'giver', 'papers.paper'])->where('guest_file_id', $round->deal_file_id)->first();
        if ($copy === null || $round->rehearsal) {
            return;
        }
        $titles = [];
        foreach ($round->papers as $sent) {
            /** @var RoundPaper $sent */
            $paper = $copy->papers->firstWhere('guest_paper_id', $sent->paper_id);
            if ($paper === null) {
                continue;
            }
            [$sha256, $pages] = $sealed[$sent->id];
            // Signed once more after it was settled: the newer one is looked at again.
            $paper->update([
                'returned_sha256' => $sha256,
                'returned_pages' => $pages,
                'returned_seats' => $round->marks
                    ->where('round_paper_id', $sent->id)
                    ->filter(static fn (SigningMark $mark) => $mark->kind->needsAct())
                    ->pluck('seat')
                    ->unique()
                    ->values()
                    ->all(),
                'returned_at' => now(),
                'settled' => null,
                'settled_at' => null,
            ]);
            $titles[] = $paper->paper->title;
        }
        if ($titles === []) {
            return;
        }
        $about = ['from' => $copy->agent(), 'papers' => implode(', ', $titles)];
        History::add($copy->brokerage_id, $copy->deal_file_id, 'Working copy came back', $about, SeenBy::everyone());
        Post::ofFile(
            $copy->file,
            "work-back:{$round->key}",
            Addressee::user($copy->giver),
            Wording::of('work_back', [...$about, 'file' => $copy->file->name], count($titles)),
            "/files/{$copy->file->key}",
        );
    }

    /** @throws StepRefused when nothing waits there any more, or the paper is out for signature or void now */
    public function take(WorkingCopyPaper $returned, User $by): Paper
    {
        [$returned, $paper] = $this->waiting($returned);
        $paper->state->mustBeInHand($paper->title);
        $paper->addVersion(
            (string) $returned->returned_sha256,
            (int) $returned->returned_pages,
            MadeBy::Uploaded,
            "signed by the clients of {$returned->copy->name}",
            $by->id,
        );
        $paper->moveTo(PaperState::Signed);
        $this->settle($returned, 'taken', 'Came back signed', $paper);
        $this->care->wake($paper);

        return $paper;
    }

    /** @throws StepRefused when nothing waits there any more */
    public function leave(WorkingCopyPaper $returned): Paper
    {
        [$returned, $paper] = $this->waiting($returned);
        $this->settle($returned, 'left', 'Came back and was left', $paper);

        return $paper;
    }

    /** @return array{WorkingCopyPaper, Paper} */
    private function waiting(WorkingCopyPaper $returned): array
    {
        DB::table('working_copy_papers')->where('id', $returned->id)->lockForUpdate()->value('id');
        $returned->refresh()->load(['copy', 'paper.file.office']);
        $returned->waits() || throw SigningRefusal::NothingCameBack->because();
        DB::table('papers')->where('id', $returned->paper_id)->lockForUpdate()->value('id');

        return [$returned, $returned->paper->refresh()->load(['file.office', 'latest'])];
    }

    private function settle(WorkingCopyPaper $returned, string $how, string $what, Paper $paper): void
    {
        $returned->update(['settled' => $how, 'settled_at' => now()]);
        History::add(
            $paper->brokerage_id,
            $paper->deal_file_id,
            $what,
            ['paper' => $paper->title, 'from' => $returned->copy->agent(), 'sha256' => $returned->returned_sha256],
            new SeenBy($paper->side, $paper->staff_only),
        );
    }
}
