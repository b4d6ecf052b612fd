<?php

declare(strict_types=1);

namespace App\Review\Actions;

use App\Models\Requirement;
use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Review\ReviewRefusal;
use Unanimus\Review\ReviewState;
use Unanimus\Steps\StepRefused;

/** Who reads a paper: begun, taken, passed on to another reviewer of the office. */
final class TakeReview
{
    /** A reviewer looks at it: from now on it is not taken back. */
    public function begin(Requirement $requirement): void
    {
        if ($requirement->review_state === ReviewState::Submitted && $requirement->taken_at === null) {
            DB::table('requirements')
                ->where(['id' => $requirement->id, 'review_state' => ReviewState::Submitted->value])
                ->whereNull('taken_at')
                ->update(['taken_at' => now()]);
        }
    }

    /**
     * @param User|null $to null: nobody's again
     *
     * @throws StepRefused when it is not submitted, or they do not review in its office
     */
    public function pass(Requirement $requirement, ?User $to): void
    {
        $requirement->review_state === ReviewState::Submitted || throw ReviewRefusal::NotSubmitted->because();
        if ($to !== null && ! $to->holds(Role::Broker, $requirement->file->office_id)) {
            throw ReviewRefusal::NotTheirOffice->because(name: $to->name);
        }
        $requirement->update(['reviewer_id' => $to?->id]);
    }
}
