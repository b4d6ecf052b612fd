<?php

declare(strict_types=1);

namespace App\Review\Http;

use App\Models\DealFile;
use App\Models\Requirement;
use App\Models\Role;
use App\Models\User;
use App\Papers\PaperView;
use App\Review\Actions\Decide;
use App\Review\Actions\SubmitPaper;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Pages\Rect;

/** The review desk, and handing in. */
final class ReviewController
{
    public function index(Request $request): View
    {
        Gate::authorize('review-desk');
        $waiting = $this->waiting()->limit(200)->get();

        return view('review.index', ['waiting' => $waiting]);
    }

    public function show(Requirement $requirement): View
    {
        $requirement->load([
            'file.office',
            'file.knownFacts',
            'file.parties',
            'file.papers',
            'file.members',
            'file.requirements',
            'paper.values',
            'paper.latest',
            'remarks.author',
        ]);
        Gate::authorize('review', $requirement->file);
        $paper = $requirement->paper?->setRelation('file', $requirement->file);

        return view('review.show', [
            'requirement' => $requirement,
            'file' => $requirement->file,
            'paper' => $paper,
            'view' => $paper === null ? null : PaperView::of($paper),
            'next' => $this->waiting()->whereKeyNot($requirement->id)->value('key'),
            'whole' => $requirement->file->completeness(),
        ]);
    }

    public function submit(Request $request, Requirement $requirement, SubmitPaper $submit): RedirectResponse
    {
        Gate::authorize('work-on', $requirement->file);
        $submit($requirement, User::signedIn($request));

        return to_route('files.show', $requirement->file)->with('told', "“{$requirement->title}” was submitted to the broker.");
    }

    /** Several papers at once; what cannot be submitted is said paper by paper, the others are. */
    public function submitSeveral(Request $request, DealFile $file, SubmitPaper $submit): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(
            ['papers' => 'required|array|max:100', 'papers.*' => 'string|max:26'],
            ['papers.required' => 'Select at least one paper first.'],
        );
        [$count, $why] = $submit->several($file, $given['papers'], User::signedIn($request));
        $told =
            $count === 0
                ? 'Nothing was submitted.'
                : ($count === 1
                    ? 'Submitted 1 paper to the broker.'
                    : "Submitted {$count} papers to the broker.");

        return to_route('files.show', $file)->with($why === [] ? 'told' : 'refused', trim("{$told} ".implode(' ', $why)));
    }

    public function accept(Request $request, Requirement $requirement, Decide $decide): RedirectResponse
    {
        Gate::authorize('review', $requirement->file);
        $decide->accept($requirement, User::signedIn($request));

        return $this->onward($requirement, 'Accepted.');
    }

    public function sendBack(Request $request, Requirement $requirement, Decide $decide): RedirectResponse
    {
        Gate::authorize('review', $requirement->file);
        $given = $request->validate(
            [
                'remark' => 'required|string|max:2000',
                'page' => 'nullable|integer|between:1,1000',
                'x' => 'nullable|numeric|between:0,14400',
                'y' => 'nullable|numeric|between:0,14400',
            ],
            ['remark.required' => 'Say in a remark what to fix.'],
        );
        $place = isset($given['page'], $given['x'], $given['y']) ? new Rect((float) $given['x'], (float) $given['y'], 1, 1) : null;
        $decide->sendBack(
            $requirement,
            User::signedIn($request),
            $given['remark'],
            isset($given['page']) ? (int) $given['page'] : null,
            $place,
        );

        return $this->onward($requirement, 'Sent back with your remark.');
    }

    public function waive(Request $request, Requirement $requirement, Decide $decide): RedirectResponse
    {
        Gate::authorize('review', $requirement->file);
        $given = $request->validate(['reason' => 'required|string|max:500'], ['reason.required' => 'Say why it does not apply.']);
        $decide->waive($requirement, User::signedIn($request), $given['reason']);

        return $this->onward($requirement, 'Marked as not applicable.');
    }

    /** @return \Illuminate\Database\Eloquent\Builder<Requirement> what waits, longest first */
    private function waiting(): \Illuminate\Database\Eloquent\Builder
    {
        $user = request()->user();
        $offices = $user instanceof User ? $user->officeRoles->where('role', Role::Broker)->pluck('office_id')->all() : [];

        return Requirement::query()
            ->with(['file.office', 'paper'])
            ->where('review_state', 'submitted')
            ->whereHas('file', static fn ($file) => $file->whereIn('office_id', $offices)->where('practice', false))
            ->orderBy('submitted_at')
            ->orderBy('id');
    }

    private function onward(Requirement $requirement, string $told): RedirectResponse
    {
        // Whoever practises is their own reviewer, and goes back to where they were.
        if ($requirement->file->practice) {
            return to_route('files.show', $requirement->file)->with('told', "{$requirement->title}: {$told}");
        }
        $next = $this->waiting()->whereKeyNot($requirement->id)->value('key');

        return redirect($next === null ? '/review' : "/review/{$next}")->with('told', "{$requirement->title}: {$told}");
    }
}
