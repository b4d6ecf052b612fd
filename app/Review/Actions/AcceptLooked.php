<?php

declare(strict_types=1);

namespace App\Review\Actions;

use App\Models\Requirement;
use App\Models\User;
use App\Review\ReviewFindings;
use App\Review\ReviewQueue;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Unanimus\Review\ReviewState;
use Unanimus\Steps\StepRefused;

/** Accepts together what a reviewer has looked at, each by itself, and in which nothing was found. */
final class AcceptLooked
{
    /** Papers of the queue that are gone through for it. */
    private const MOST = 100;

    public function __construct(private readonly Decide $decide)
    {
    }

    /** Notes that somebody has this version of the paper before them. */
    public static function look(Requirement $requirement, User $by): void
    {
        $version = $requirement->paper?->latest_version_id;
        $version === null || DB::table('review_looks')->insertOrIgnore([
            'requirement_id' => $requirement->id,
            'brokerage_id' => $requirement->brokerage_id,
            'paper_version_id' => $version,
            'user_id' => $by->id,
        ]);
    }

    /** @return Collection<int, Requirement> what they have looked at as it is now, without a finding that is not set aside */
    public function able(User $by): Collection
    {
        $looked = DB::table('review_looks')->where('user_id', $by->id)->get(['requirement_id', 'paper_version_id'])
            ->map(static fn (object $one) => "{$one->requirement_id} {$one->paper_version_id}")
            ->flip();

        return ReviewQueue::of($by)
            ->whereIn('requirements.id', $looked->keys()->map(static fn (string $one) => (int) $one)->all())
            ->with(['paper.latest', 'file.office', 'file.knownFacts', 'file.parties', 'file.papers.latest', 'remarks'])
            ->limit(self::MOST)
            ->get()
            ->filter(static fn (Requirement $one) => $one->review_state === ReviewState::Submitted &&
                $looked->has("{$one->id} {$one->paper?->latest_version_id}"))
            ->filter(static function (Requirement $one): bool {
                $one->paper?->setRelation('file', $one->file);

                return $one->openRemarks()->isEmpty() && $one->remarks->whereNull('sent_at')->isEmpty() && ReviewFindings::of($one) === [];
            })
            ->values();
    }

    /**
     * @param array<string, string> $seen SHA-256 of the version each was looked at in, by the requirement's key
     * @return array{int, list<string>} how many were accepted; why the others were not
     */
    public function __invoke(User $by, array $seen): array
    {
        [$count, $why] = [0, []];
        foreach ($this->able($by) as $requirement) {
            if (! isset($seen[$requirement->key])) {
                continue;
            }
            try {
                $this->decide->accept($requirement, $by, $seen[$requirement->key]);
                $count++;
            } catch (StepRefused $refused) {
                $why[] = "{$requirement->title}: {$refused->getMessage()}";
            }
        }

        return [$count, $why];
    }
}
