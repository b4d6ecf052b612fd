<?php

declare(strict_types=1);

namespace App\Review\Actions;

use App\History\History;
use App\Models\Paper;
use App\Models\Requirement;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperRefusal;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Review\ReviewRefusal;
use Unanimus\Steps\StepRefused;

/** What meets a requirement beside its own paper: something that was done, and further papers. */
final class MeetRequirement
{
    /**
     * Notes that it was done; with proof, that is uploaded to its row besides. Said twice it is done once.
     *
     * @throws StepRefused when it is a paper that is brought, or with the reviewer
     */
    public function done(Paper $paper, string $note): void
    {
        $paper = self::locked($paper);
        $paper->is_action || throw ReviewRefusal::NoAction->because(title: $paper->title);
        if ($paper->state !== PaperState::Expected) {
            return;
        }
        $paper->moveTo(PaperState::Ready, ['done_note' => mb_substr(trim($note), 0, 300) ?: 'done']);
        self::tell($paper, 'Done', ['paper' => $paper->title, 'note' => $paper->done_note]);
    }

    /** It was not done after all. @throws StepRefused when it is with the reviewer */
    public function undone(Paper $paper): void
    {
        $paper = self::locked($paper);
        if (! $paper->is_action || $paper->state !== PaperState::Ready) {
            return;
        }
        $paper->requirement?->review_state->isWithReviewer() === true && throw PaperRefusal::InReview->because();
        $paper->moveTo(PaperState::Void);
        $paper->moveTo(PaperState::Expected, ['done_note' => '']);
        self::tell($paper, 'Not done after all', ['paper' => $paper->title]);
    }

    /**
     * One paper more that a requirement is met by; one paper may meet several.
     *
     * @throws StepRefused when it is what is asked for itself, or the requirement is with the reviewer or settled
     */
    public function with(Requirement $requirement, Paper $paper): void
    {
        DB::table('requirements')->where('id', $requirement->id)->lockForUpdate()->first();
        $requirement->refresh()->review_state->mustBeInOurHands();
        $paper->id !== $requirement->paper_id || throw ReviewRefusal::SameRequirement->because(title: $paper->title);
        $paper->state->mustBeInHand($paper->title);
        $new = DB::table('requirement_papers')->insertOrIgnore([
            'brokerage_id' => $requirement->brokerage_id,
            'deal_file_id' => $requirement->deal_file_id,
            'requirement_id' => $requirement->id,
            'paper_id' => $paper->id,
        ]);
        $requirement->update(['has_further' => true]);
        $new === 0 || self::tell($paper, 'Counts for', ['paper' => $paper->title, 'requirement' => $requirement->title]);
    }

    /** @throws StepRefused when the requirement is with the reviewer or settled */
    public function without(Requirement $requirement, Paper $paper): void
    {
        DB::table('requirements')->where('id', $requirement->id)->lockForUpdate()->first();
        $requirement->refresh()->review_state->mustBeInOurHands();
        $gone = DB::table('requirement_papers')->where(['requirement_id' => $requirement->id, 'paper_id' => $paper->id])->delete();
        $requirement->update(['has_further' => $requirement->further()->exists()]);
        $gone === 0 || self::tell($paper, 'Counts no more for', ['paper' => $paper->title, 'requirement' => $requirement->title]);
    }

    /** @param  array<string, string>  $data */
    private static function tell(Paper $paper, string $what, array $data): void
    {
        History::add($paper->brokerage_id, $paper->deal_file_id, $what, $data, new SeenBy($paper->side, $paper->staff_only));
    }

    private static function locked(Paper $paper): Paper
    {
        DB::table('papers')->where('id', $paper->id)->lockForUpdate()->value('id');

        return $paper->refresh();
    }
}
