<?php

declare(strict_types=1);

namespace App\Review;

use App\Models\Requirement;
use App\Models\Role;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** What waits for one reviewer, over all offices they answer for: what is needed soonest first, then what was sent back before. */
final class ReviewQueue
{
    /**
     * @param array{office?: string|null, agent?: string|null, mine?: mixed} $only filters, as their links say them
     * @return Builder<Requirement>
     */
    public static function of(User $user, array $only = []): Builder
    {
        $offices = $user->officeRoles->where('role', Role::Broker)->pluck('office_id')->all();

        return Requirement::query()
            ->with(['file.office', 'paper', 'reviewer'])
            ->where(static fn ($all) => $all->where('review_state', 'submitted')->orWhere(self::asked(...)))
            ->whereHas('file', static fn ($file) => $file
                ->whereIn('office_id', $offices)
                ->where('practice', false)
                ->when($only['office'] ?? null, static fn ($file, $key) => $file->whereHas(
                    'office',
                    static fn ($office) => $office->where('key', $key),
                ))
                ->when($only['agent'] ?? null, static fn ($file, $key) => $file->whereHas(
                    'members.user',
                    static fn ($person) => $person->where('key', $key),
                )))
            // Taken by somebody else, it is theirs; it stays in the list, behind.
            ->when($only['mine'] ?? null, static fn ($all) => $all->where('reviewer_id', $user->id))
            // Whoever accepted it first has done theirs.
            ->where(static fn ($all) => $all->whereNull('first_accepted_by')->orWhere('first_accepted_by', '<>', $user->id))
            ->orderByRaw('CASE WHEN reviewer_id IS NULL OR reviewer_id = ? THEN 0 ELSE 1 END', [$user->id])
            ->orderByRaw('needed_by NULLS LAST')
            ->orderByRaw('CASE WHEN times_sent_back > 0 THEN 0 ELSE 1 END')
            ->orderByRaw('coalesce(off_asked_at, submitted_at)')
            ->orderBy('id');
    }

    /**
     * What somebody asks about, whether it applies, and is not submitted.
     *
     * @param Builder<Requirement> $all
     */
    public static function asked(Builder $all): void
    {
        $all->whereNotNull('off_asked_at')->whereIn('review_state', ['not_submitted', 'sent_back']);
    }

    /** @return Collection<int, Requirement> accepted papers that are to be looked at once more */
    public static function spotChecks(User $user): Collection
    {
        $offices = $user->officeRoles->where('role', Role::Broker)->pluck('office_id')->all();

        return Requirement::query()
            ->with('file')
            ->whereNotNull('spot_at')
            ->whereNull('spot_by')
            ->whereHas('file', static fn ($file) => $file->whereIn('office_id', $offices)->where('practice', false))
            ->orderBy('spot_at')
            ->limit(50)
            ->get();
    }
}
