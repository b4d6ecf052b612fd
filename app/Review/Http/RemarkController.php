<?php

declare(strict_types=1);

namespace App\Review\Http;

use App\Models\Remark;
use App\Models\Requirement;
use App\Models\User;
use App\Review\Actions\KeepRemarks;
use App\Review\ReviewFindings;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Pages\Rect;
use Unanimus\Review\ReviewFinding;

/** Remarks on the review desk, and their answers. */
final class RemarkController
{
    public function note(Request $request, Requirement $requirement, KeepRemarks $keep): RedirectResponse
    {
        Gate::authorize('review', $requirement->file);
        $given = $request->validate([
            'remark' => 'nullable|string|max:2000',
            'page' => 'nullable|integer|between:1,1000',
            'x' => 'nullable|numeric|between:0,14400',
            'y' => 'nullable|numeric|between:0,14400',
        ]);
        $place = isset($given['page'], $given['x'], $given['y']) ? new Rect((float) $given['x'], (float) $given['y'], 1, 1) : null;
        $page = isset($given['page']) ? (int) $given['page'] : null;
        $keep->note($requirement, User::signedIn($request), (string) ($given['remark'] ?? ''), $page, $place);

        return to_route('review.show', $requirement);
    }

    /** What the machine found becomes a remark, or is set aside; one that is found no more changes nothing. */
    public function finding(Request $request, Requirement $requirement, string $finding, KeepRemarks $keep): RedirectResponse
    {
        Gate::authorize('review', $requirement->file);
        $do = $request->validate(['do' => 'required|in:remark,aside'])['do'];
        $requirement->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers', 'paper.latest', 'paper.values']);
        $requirement->paper?->setRelation('file', $requirement->file);
        $one = collect(ReviewFindings::of($requirement))->first(static fn (ReviewFinding $one) => $one->id() === $finding);
        if ($one !== null) {
            $do === 'remark'
                ? $keep->confirm($requirement, User::signedIn($request), $one)
                : $keep->setAside($requirement, User::signedIn($request), $one);
        }

        return to_route('review.show', $requirement);
    }

    public function answer(Request $request, Remark $remark, KeepRemarks $keep): RedirectResponse
    {
        Gate::authorize('work-on', $remark->file);
        $keep->answer($remark, User::signedIn($request), (string) $request->input('answer', ''));

        return back()->with('told', 'Your answer is kept. Submit the paper again when it is mended.');
    }

    public function settle(Request $request, Remark $remark, KeepRemarks $keep): RedirectResponse
    {
        Gate::authorize('review', $remark->file);
        match ($request->validate(['do' => 'required|in:resolve,again,drop'])['do']) {
            'resolve' => $keep->resolve($remark),
            'again' => $keep->openAgain($remark),
            default => $keep->drop($remark),
        };

        return to_route('review.show', $remark->requirement);
    }
}
