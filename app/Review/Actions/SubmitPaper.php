<?php

declare(strict_types=1);

namespace App\Review\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Requirement;
use App\Models\User;
use App\Papers\Actions\FixPaper;
use App\Terms\FactBook;
use Carbon\CarbonInterface;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Forms\Blank;
use Unanimus\Forms\Filling;
use Unanimus\Review\ReviewRefusal;
use Unanimus\Review\SubmitCheck;
use Unanimus\Steps\StepRefused;

/** Gives papers to review. A form that nobody signs is fixed as it is handed in: what is accepted is what was read. */
final class SubmitPaper
{
    public function __construct(private readonly FixPaper $fix)
    {
    }

    /**
     * @param list<array{title: string, when: string}> $coming what is still to come of what it is submitted with
     *
     * @throws StepRefused when the paper has not come in, or is with the reviewer already
     */
    public function __invoke(
        Requirement $requirement,
        User $by,
        ?CarbonInterface $neededBy = null,
        string $why = '',
        array $coming = [],
    ): void {
        DB::table('requirements')->where('id', $requirement->id)->lockForUpdate()->first();
        $requirement->refresh();
        $paper = $requirement->paper;
        if ($paper === null) {
            throw ReviewRefusal::NotArrived->because(title: $requirement->title);
        }
        $further = array_values($requirement->further()->get()->map(static fn (Paper $one) => $one->state)->all());
        SubmitCheck::isMetByFurther($paper->state, $further) ||
            SubmitCheck::paper($requirement->title, $paper->state, ($paper->form()->marks ?? []) !== []);
        $state = $requirement->review_state->submit();
        if ($paper->isDraft()) {
            $paper->lockForChange();
            $this->refuseEmpty($paper);
            ($this->fix)($paper, MadeBy::Submitted, '', $by->id);
            $paper->moveTo(PaperState::Ready);
        }
        $requirement->update([
            'review_state' => $state,
            'submitted_at' => now(),
            'submitted_by' => $by->id,
            'needed_by' => $neededBy,
            'needed_why' => mb_substr(trim($why), 0, 200),
            'taken_at' => null,
            'off_asked_at' => null,
            'coming' => $coming,
        ]);
        // Where the office reads nothing of that stage, it is done.
        $isRead = $requirement->file->practice || $requirement->file->office->reviewPlan()->isRead($requirement->stage);
        $isRead || $requirement->update(['review_state' => $state->accept(), 'decided_at' => now()]);
        $requirement
            ->remarks()
            ->whereNotNull('sent_at')
            ->whereNull('answered_at')
            ->update(['answered_at' => now(), 'answered_by' => $by->id]);
        History::add(
            $requirement->brokerage_id,
            $requirement->deal_file_id,
            $isRead ? 'Submitted' : 'Complete without review',
            ['requirement' => $requirement->title],
            new SeenBy($requirement->side, $requirement->staff_only),
        );
        $requirement->file->countSettled();
    }

    /**
     * Several papers of a file, each for itself.
     *
     * @param list<string> $keys of the papers
     * @return array{int, list<string>} how many were submitted; why the others were not
     */
    public function several(DealFile $file, array $keys, User $by, ?CarbonInterface $neededBy = null, string $why = ''): array
    {
        [$neededWhy, $why] = [$why, []];
        $count = 0;
        $requirements = $file->requirements()->with('paper')->get();
        foreach ($file->papers()->whereIn('key', $keys)->get() as $paper) {
            $requirement = $requirements->firstWhere('paper_id', $paper->id);
            try {
                $requirement === null && throw ReviewRefusal::NotOnChecklist->because(title: $paper->title);
                $this($requirement, $by, $neededBy, $neededWhy);
                $count++;
            } catch (StepRefused $refused) {
                $why[] = str_contains($refused->getMessage(), $paper->title)
                    ? $refused->getMessage()
                    : "“{$paper->title}”: {$refused->getMessage()}";
            }
        }

        return [$count, $why];
    }

    /**
     * A stage, or all of the file, as far as it is there; the reviewer is told what is still to come and when.
     *
     * @param string|null $stage null: all of them
     * @param string $when when the rest comes, as it was said
     * @return array{int, list<string>} how many were submitted; what is still to come
     */
    public function stage(DealFile $file, ?string $stage, string $when, User $by, ?CarbonInterface $neededBy, string $why): array
    {
        $ready = $coming = [];
        foreach ($file->requirements()->with(['paper.values', 'further'])->get() as $requirement) {
            $isOf = ($stage === null || $requirement->stage === $stage) && $requirement->paper?->state !== PaperState::Void;
            if (! $isOf || $requirement->review_state->isWithReviewer() || $requirement->review_state->isSettled()) {
                continue;
            }
            $this->isReady($requirement) ? ($ready[] = $requirement) : ($coming[] = [
                'title' => $requirement->title,
                'when' => trim($when) !== '' ? mb_substr(trim($when), 0, 120) : (string) $requirement->due_on?->long(),
            ]);
        }
        foreach ($ready as $requirement) {
            $this($requirement, $by, $neededBy, $why, $coming);
        }

        return [count($ready), array_column($coming, 'title')];
    }

    private function isReady(Requirement $requirement): bool
    {
        $paper = $requirement->paper;
        try {
            $paper === null || $paper->setRelation('file', $requirement->file);
            $further = array_values($requirement->further->map(static fn (Paper $one) => $one->state)->all());
            $paper === null || SubmitCheck::isMetByFurther($paper->state, $further) ||
                SubmitCheck::paper($requirement->title, $paper->state, ($paper->form()->marks ?? []) !== []);
            $paper?->isDraft() === true && $this->refuseEmpty($paper);
        } catch (StepRefused) {
            return false;
        }

        return $paper !== null;
    }

    /** @throws StepRefused when somebody has begun to read it, or it is not with the reviewer */
    public function withdraw(Requirement $requirement, User $by): void
    {
        DB::table('requirements')->where('id', $requirement->id)->lockForUpdate()->first();
        $requirement->refresh();
        $state = $requirement->review_state->withdraw($requirement->taken_at !== null);
        $paper = $requirement->paper;
        // A form that was fixed as it was handed in is filled on again.
        if ($paper?->form_number !== null && $paper->state === PaperState::Ready) {
            $paper->moveTo(PaperState::Draft);
        }
        $requirement->update(['review_state' => $state, 'needed_by' => null, 'needed_why' => '']);
        History::add(
            $requirement->brokerage_id,
            $requirement->deal_file_id,
            'Submission withdrawn',
            ['requirement' => $requirement->title],
            new SeenBy($requirement->side, $requirement->staff_only),
        );
        $requirement->file->countSettled();
    }

    /** A form is read by the reviewer as it is filled: with required blanks empty there is nothing to read. */
    private function refuseEmpty(Paper $paper): void
    {
        $form = $paper->form();
        $missing = $form === null ? [] : Filling::of($form, $paper->load('values')->entries(), FactBook::of($paper->file))->missing();
        SubmitCheck::blanks($paper->title, array_values(array_map(static fn (Blank $blank) => $blank->label, $missing)));
    }
}
