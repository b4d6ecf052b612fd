<?php

declare(strict_types=1);

namespace App\Review\Actions;

use App\History\History;
use App\Models\Requirement;
use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Pages\Rect;
use Unanimus\Review\ReviewPlan;
use Unanimus\Review\ReviewRefusal;
use Unanimus\Review\ReviewState;
use Unanimus\Steps\StepRefused;

/** The reviewer's decision on a requirement: accept, send back with a remark, or grant that it does not apply. */
final class Decide
{
    public function __construct(private readonly KeepRemarks $remarks)
    {
    }

    /**
     * @param string|null $seen SHA-256 of the version that was looked at; null: not said
     * @param string $note for whoever works on it, and the record
     *
     * @throws StepRefused when there is nothing to decide, or the paper has another version since
     */
    public function accept(Requirement $requirement, User $by, ?string $seen = null, string $note = ''): void
    {
        DB::table('requirements')->where('id', $requirement->id)->lockForUpdate()->first();
        $requirement->refresh()->loadMissing('file.office');
        self::mustBe($requirement, $seen);
        $plan = $requirement->file->office->reviewPlan();
        $isPractice = $requirement->file->practice;
        if (! $isPractice && $plan->needsSecond($requirement->stage, $this->agents($requirement)) && $this->isFirst($requirement, $by)) {
            return;
        }
        $this->decide($requirement, $by, static fn (ReviewState $state) => $state->accept(), 'Accepted', $note);
        $requirement->update(['note' => mb_substr(trim($note), 0, 500)]);
        $isPractice || $this->spot($requirement, $plan);
        // What was noted and never sent was not meant to be said; what was asked is done.
        $requirement->remarks()->whereNull('sent_at')->delete();
        $requirement->remarks()->whereNull('resolved_at')->update(['resolved_at' => now()]);
    }

    /**
     * Notes the first of two acceptances; the second is another person's.
     *
     * @throws StepRefused when there is nothing to decide, or the same person would accept it twice
     */
    private function isFirst(Requirement $requirement, User $by): bool
    {
        if ($requirement->first_accepted_by === $by->id) {
            throw ReviewRefusal::SecondReader->because(title: $requirement->title);
        }
        if ($requirement->first_accepted_by !== null) {
            return false;
        }
        $requirement->review_state->accept();
        $requirement->update(['first_accepted_by' => $by->id, 'taken_at' => null, 'reviewer_id' => null]);
        History::add(
            $requirement->brokerage_id,
            $requirement->deal_file_id,
            'Accepted by the first reader',
            ['requirement' => $requirement->title],
            new SeenBy($requirement->side, $requirement->staff_only),
        );

        return true;
    }

    /** @return list<string> keys of the agents whose file it is */
    private function agents(Requirement $requirement): array
    {
        return array_values(User::query()
            ->whereIn('id', $requirement->file->members()->where('role', Role::Agent)->select('user_id'))
            ->pluck('key')
            ->all());
    }

    /** One in so many is looked at once more. */
    private function spot(Requirement $requirement, ReviewPlan $plan): void
    {
        $count = $plan->spot === 0 ? 0 : Requirement::query()
            ->where('review_state', ReviewState::Accepted)
            ->whereNotNull('decided_by')
            ->whereHas('file', static fn ($file) => $file->where('office_id', $requirement->file->office_id)->where('practice', false))
            ->count();
        $plan->isSpotChecked($count) && $requirement->update(['spot_at' => now(), 'spot_by' => null]);
    }

    /** It was looked at once more, and is well. */
    public function spotChecked(Requirement $requirement, User $by): void
    {
        if ($requirement->spot_at === null || $requirement->spot_by !== null) {
            return;
        }
        $requirement->update(['spot_by' => $by->id]);
        History::add(
            $requirement->brokerage_id,
            $requirement->deal_file_id,
            'Looked at once more',
            ['requirement' => $requirement->title],
            new SeenBy($requirement->side, $requirement->staff_only),
        );
    }

    /**
     * Sends it back with what was noted on it, and with one more remark.
     *
     * @param string|null $seen SHA-256 of the version that was looked at; null: not said
     *
     * @throws StepRefused when there is nothing to decide, no remark says why, or the paper has another version since
     */
    public function sendBack(
        Requirement $requirement,
        User $by,
        string $remark,
        ?int $page = null,
        ?Rect $place = null,
        ?string $seen = null,
    ): void {
        DB::table('requirements')->where('id', $requirement->id)->lockForUpdate()->first();
        self::mustBe($requirement->refresh(), $seen);
        $noted = $requirement->remarks()->whereNull('sent_at')->pluck('text')->all();
        $all = implode(' ', array_filter([...$noted, trim($remark)]));
        $this->decide($requirement, $by, static fn (ReviewState $state) => $state->sendBack($all), 'Sent back', $all);
        trim($remark) === '' || $this->remarks->note($requirement, $by, $remark, $page, $place);
        $requirement->remarks()->whereNull('sent_at')->update(['sent_at' => now()]);
        $requirement->update(['times_sent_back' => $requirement->times_sent_back + 1]);
        $this->remarks->write($requirement, $by);
    }

    /** What is decided on is what was read. */
    private static function mustBe(Requirement $requirement, ?string $seen): void
    {
        $is = $requirement->paper?->latest?->sha256;
        $seen === null || $is === null || $seen === $is || throw ReviewRefusal::OtherVersion->because(title: $requirement->title);
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
        $requirement->update([
            'review_state' => $state,
            'decided_at' => now(),
            'decided_by' => $by->id,
            'read_version_id' => $paper?->latest_version_id,
            'taken_at' => null,
            'reviewer_id' => null,
            'needed_by' => null,
            'needed_why' => '',
            'first_accepted_by' => null,
            'off_asked_at' => null,
        ]);
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
