<?php

declare(strict_types=1);

namespace App\Review\Actions;

use App\Access\User;
use App\History\History;
use App\Papers\Bytes;
use App\Papers\Models\Paper;
use App\Papers\PaperPrint;
use App\Review\Models\Requirement;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperState;
use Unanimus\Files\StepRefused;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Scratch;

/** Gives papers to review. A form that nobody signs is fixed as it is handed in: what is accepted is what was read. */
final class HandIn
{
    public function __construct(private readonly PaperPrint $print, private readonly Bytes $bytes)
    {
    }

    /** @throws StepRefused when the paper has not come in, or is with the reviewer already */
    public function __invoke(Requirement $requirement, User $by): void
    {
        DB::table('requirements')->where('id', $requirement->id)->lockForUpdate()->first();
        $requirement->refresh();
        $paper = $requirement->paper;
        if ($paper === null || ! in_array($paper->state, [PaperState::Ready, PaperState::Signed, PaperState::Draft], true)) {
            throw new StepRefused("“{$requirement->title}” has not come in yet: there is nothing to hand in.");
        }
        if ($paper->state === PaperState::Draft && ($paper->form()->marks ?? []) !== []) {
            throw new StepRefused("“{$requirement->title}” is not signed yet. Have it signed, then hand it in.");
        }
        $state = $requirement->review_state->handIn();
        $paper->isDraft() && $this->fix($paper, $by);
        $requirement->update(['review_state' => $state, 'handed_in_at' => now(), 'handed_in_by' => $by->id]);
        $requirement->remarks()->whereNull('answered_at')->update(['answered_at' => now()]);
        History::add($requirement->brokerage_id, $requirement->deal_file_id, 'Handed in', ['requirement' => $requirement->title], $requirement->side, $requirement->staff_only);
        $requirement->file->countSettled();
    }

    private function fix(Paper $paper, User $by): void
    {
        $paper->lockForChange();
        $pdf = $this->print->of($paper);
        $scratch = new Scratch;
        $pages = count(PdfLook::into($scratch->put('paper.pdf', $pdf))->pages());
        $paper->addVersion($this->bytes->keep($paper->brokerage_id, $pdf), $pages, 'handed in', '', $by->id, 1, [$this->print->reading($paper), []]);
        $paper->moveTo(PaperState::Ready);
    }
}
