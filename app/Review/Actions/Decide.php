<?php

declare(strict_types=1);

namespace App\Review\Actions;

use App\History\History;
use App\Models\Requirement;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Pages\Rect;
use Unanimus\Review\ReviewState;
use Unanimus\Steps\StepRefused;

/** The reviewer's decision on a requirement: accept, send back with a remark, or grant that it does not apply. */
final class Decide
{
    /** @throws StepRefused when there is nothing to decide */
    public function accept(Requirement $requirement, User $by): void
    {
        $this->decide($requirement, $by, static fn (ReviewState $state) => $state->accept(), 'Accepted', '');
    }

    /** @throws StepRefused when there is nothing to decide or the remark is empty */
    public function sendBack(Requirement $requirement, User $by, string $remark, ?int $page = null, ?Rect $place = null): void
    {
        $this->decide($requirement, $by, static fn (ReviewState $state) => $state->sendBack($remark), 'Sent back', $remark);
        $requirement->remarks()->create([
            'brokerage_id' => $requirement->brokerage_id,
            'deal_file_id' => $requirement->deal_file_id,
            'page' => $page,
            'x' => $place?->x,
            'y' => $place?->y,
            'text' => trim($remark),
            'user_id' => $by->id,
            'at' => now(),
        ]);
    }

    /** @throws StepRefused when it is settled already or no reason is given */
    public function waive(Requirement $requirement, User $by, string $reason): void
    {
        $this->decide($requirement, $by, static fn (ReviewState $state) => $state->waive($reason), 'Does not apply', $reason);
        $requirement->update(['note' => trim($reason)]);
    }

    /** @param  callable(ReviewState): ReviewState  $step */
    private function decide(Requirement $requirement, User $by, callable $step, string $what, string $why): void
    {
        DB::table('requirements')->where('id', $requirement->id)->lockForUpdate()->first();
        $requirement->refresh();
        $state = $step($requirement->review_state);
        $paper = $requirement->paper;
        // A form that was fixed as it was handed in is filled on again.
        if ($paper?->form_number !== null && $paper->state === PaperState::Ready && ! $state->isWithReviewer()) {
            $paper->moveTo(PaperState::Draft);
        }
        $requirement->update(['review_state' => $state, 'decided_at' => now(), 'decided_by' => $by->id]);
        History::add(
            $requirement->brokerage_id,
            $requirement->deal_file_id,
            $what,
            array_filter(['requirement' => $requirement->title, 'why' => trim($why)]),
            new SeenBy($requirement->side, $requirement->staff_only),
        );
        $requirement->file->countSettled();
    }
}
