<?php

declare(strict_types=1);

namespace App\Review\Http;

use App\Models\DealFile;
use App\Models\KeptSentence;
use App\Models\Paper;
use App\Models\PaperVersion;
use App\Models\Requirement;
use App\Models\Role;
use App\Models\User;
use App\Papers\PageStore;
use App\Papers\PaperView;
use App\Papers\Presence;
use App\Review\Actions\AcceptLooked;
use App\Review\Actions\Decide;
use App\Review\Actions\SubmitPaper;
use App\Review\Actions\TakeReview;
use App\Review\ChangesSince;
use App\Review\ReviewFindings;
use App\Review\ReviewQueue;
use App\Storage\Bytes;
use App\Terms\FactBook;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Unanimus\Files\PaperState;
use Unanimus\Pages\Rect;
use Unanimus\Review\KeptWords;
use Unanimus\Review\ReviewTime;

/** The review desk, and handing in. */
final class ReviewController
{
    public function index(Request $request, AcceptLooked $accept): View
    {
        Gate::authorize('review-desk');
        $only = $request->validate([
            'office' => 'nullable|string|max:26',
            'agent' => 'nullable|string|max:26',
            'mine' => 'nullable|string|max:1',
        ]);
        $waiting = ReviewQueue::of(User::signedIn($request), $only)->with('file.members.user')->limit(200)->get();

        return view('review.index', [
            'waiting' => $waiting,
            'all' => ReviewQueue::of(User::signedIn($request))->count(),
            'spots' => ReviewQueue::spotChecks(User::signedIn($request)),
            'looked' => $accept->able(User::signedIn($request)),
            'only' => $only,
            'offices' => $waiting->pluck('file.office')->unique('id')->values(),
            'agents' => $waiting->flatMap(static fn (Requirement $one) => $one->file->members->where('role', Role::Agent)->pluck('user'))
                ->unique('id')
                ->sortBy('name')
                ->values(),
            'open' => $waiting->mapWithKeys(static fn (Requirement $one) => [
                $one->id => $one->paper === null ? [] : Presence::others($one->paper, User::signedIn($request)),
            ])->all(),
        ]);
    }

    /** Who reviewed what in one's offices, and how long it waited and took. */
    public function done(Request $request): View
    {
        Gate::authorize('review-desk');
        $offices = User::signedIn($request)->officeRoles->where('role', Role::Broker)->pluck('office_id')->all();
        $done = Requirement::query()
            ->with(['file.office'])
            ->whereNotNull('decided_at')
            ->whereNotNull('decided_by')
            ->whereHas('file', static fn ($file) => $file->whereIn('office_id', $offices)->where('practice', false))
            ->orderByDesc('decided_at')
            ->limit(200)
            ->get();

        return view('review.done', [
            'done' => $done,
            'names' => User::query()->whereIn('id', $done->pluck('decided_by'))->pluck('name', 'id'),
            'each' => $done->groupBy('decided_by')->map(static fn ($all) => [
                'count' => $all->count(),
                'minutes' => ReviewTime::usual($all->map(static fn (Requirement $one) => [$one->submitted_at, $one->decided_at])->all()),
            ]),
        ]);
    }

    public function show(Request $request, Requirement $requirement, TakeReview $take): View
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
            'further.latest',
            'offAsker',
            'remarks.author',
        ]);
        Gate::authorize('review', $requirement->file);
        $take->begin($requirement);
        AcceptLooked::look($requirement, User::signedIn($request));
        $paper = $requirement->paper?->setRelation('file', $requirement->file);
        $next = ReviewQueue::of(User::signedIn($request))->whereKeyNot($requirement->id)->value('key');

        return view('review.show', [
            'requirement' => $requirement,
            'file' => $requirement->file,
            'paper' => $paper,
            'view' => $paper === null ? null : PaperView::of($paper),
            'findings' => ReviewFindings::of($requirement),
            'changed' => $requirement->read_version_id !== null && $requirement->read_version_id !== $paper?->latest_version_id,
            'next' => $next,
            'whole' => $requirement->file->completeness(),
            'facts' => FactBook::of($requirement->file),
            'here' => $paper === null ? [] : Presence::of($paper, User::signedIn($request)),
            'reviewers' => $this->reviewers($requirement->file),
            'others' => $requirement->file->papers->filter(static fn (Paper $one) => $one->id !== $paper?->id &&
                ! in_array($one->state, [PaperState::Void, PaperState::Expected], true)),
            'sentences' => self::sentences($requirement, User::signedIn($request)),
        ]);
    }

    /** @return list<array{key: string, kept: string, words: string}> kept sentences as they are said of this deal */
    private static function sentences(Requirement $requirement, User $user): array
    {
        $facts = FactBook::of($requirement->file);
        $more = [
            'paper' => $requirement->title,
            'file' => $requirement->file->name,
            'agent' => (string) $facts->value('agent.1.name'),
        ];

        return array_values(KeptSentence::of($user)->map(static fn (KeptSentence $one) => [
            'key' => $one->key,
            'kept' => $one->text,
            'words' => KeptWords::fill($one->text, $facts, $more),
        ])->all());
    }

    /** Another paper of the file, beside the one that is read. */
    public function beside(Request $request, Requirement $requirement): View|Response
    {
        Gate::authorize('review', $requirement->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers'])->file);
        $key = (string) ($request->validate(['of' => 'nullable|string|max:26'])['of'] ?? '');
        if ($key === '') {
            return new Response('');
        }
        $paper = $requirement->file->papers->firstWhere('key', $key) ?? abort(404);
        $paper->load(['values', 'latest'])->setRelation('file', $requirement->file);

        return view('review.beside', ['paper' => $paper, 'view' => PaperView::of($paper)]);
    }

    /** What one has looked at, and nothing was found in. */
    public function acceptLooked(Request $request, AcceptLooked $accept): RedirectResponse
    {
        Gate::authorize('review-desk');
        $seen = $request->validate(['looked' => 'required|array|max:100', 'looked.*' => 'string|size:64'])['looked'];
        [$count, $why] = $accept(User::signedIn($request), $seen);
        $told = $count === 1 ? 'Accepted 1 paper.' : "Accepted {$count} papers.";

        return to_route('review.index')->with($why === [] ? 'told' : 'refused', trim("{$told} ".implode(' ', $why)));
    }

    /** What is otherwise since it was decided on. */
    public function changes(Requirement $requirement, Bytes $bytes): View
    {
        Gate::authorize('review', $requirement->file);
        $requirement->load(['file.office', 'paper.latest', 'remarks.author']);

        return view('review.changes', [
            'requirement' => $requirement,
            'file' => $requirement->file,
            'changes' => ChangesSince::of($requirement, $bytes) ?? abort(404),
        ]);
    }

    /** A page of the version that was decided on before. */
    public function before(Requirement $requirement, int $page, Bytes $bytes): Response
    {
        Gate::authorize('review', $requirement->file);
        $version = PaperVersion::query()->where('paper_id', $requirement->paper_id)->find($requirement->read_version_id) ?? abort(404);
        abort_if($page < 1 || $page > $version->pages, 404);

        return PageStore::send($bytes->path($version->sha256), $version->sha256, $version->first_page + $page - 1);
    }

    public function pass(Request $request, Requirement $requirement, TakeReview $take): RedirectResponse
    {
        Gate::authorize('review', $requirement->file);
        $key = (string) ($request->validate(['to' => 'nullable|string|max:26'])['to'] ?? '');
        $to = $key === '' ? null : User::query()->where('key', $key)->firstOrFail();
        $take->pass($requirement, $to);

        return to_route('review.show', $requirement)->with('told', $to === null ? 'Whoever reviews may take it.' : "{$to->name} has it.");
    }

    public function spot(Request $request, Requirement $requirement, Decide $decide): RedirectResponse
    {
        Gate::authorize('review', $requirement->file);
        $decide->spotChecked($requirement, User::signedIn($request));

        return to_route('review.index')->with('told', "{$requirement->title}: looked at once more.");
    }

    public function withdraw(Request $request, Requirement $requirement, SubmitPaper $submit): RedirectResponse
    {
        Gate::authorize('work-on', $requirement->file);
        $submit->withdraw($requirement, User::signedIn($request));

        return to_route('files.show', $requirement->file)->with('told', "“{$requirement->title}” is yours again.");
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
            [
                'papers' => 'required|array|max:100',
                'papers.*' => 'string|max:26',
                'needed_day' => 'nullable|string|max:40',
                'needed_time' => 'nullable|string|max:20',
                'needed_why' => 'nullable|string|max:200',
            ],
            ['papers.required' => 'Select at least one paper first.'],
        );
        $needed = NeededBy::read($file, (string) ($given['needed_day'] ?? ''), (string) ($given['needed_time'] ?? ''));
        $reason = (string) ($given['needed_why'] ?? '');
        [$count, $why] = $submit->several($file, $given['papers'], User::signedIn($request), $needed, $reason);
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
        $note = (string) ($request->validate(['note' => 'nullable|string|max:500'])['note'] ?? '');
        $decide->accept($requirement, User::signedIn($request), self::seen($request), $note);

        $isFirst = $requirement->refresh()->first_accepted_by !== null;

        return $this->onward($requirement, $isFirst ? 'Accepted. Another reviewer reads it second.' : 'Accepted.');
    }

    public function sendBack(Request $request, Requirement $requirement, Decide $decide): RedirectResponse
    {
        Gate::authorize('review', $requirement->file);
        $given = $request->validate(
            [
                'remark' => 'nullable|string|max:2000',
                'page' => 'nullable|integer|between:1,1000',
                'x' => 'nullable|numeric|between:0,14400',
                'y' => 'nullable|numeric|between:0,14400',
            ],
        );
        $place = isset($given['page'], $given['x'], $given['y']) ? new Rect((float) $given['x'], (float) $given['y'], 1, 1) : null;
        $decide->sendBack(
            $requirement,
            User::signedIn($request),
            (string) ($given['remark'] ?? ''),
            isset($given['page']) ? (int) $given['page'] : null,
            $place,
            self::seen($request),
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

    private static function seen(Request $request): ?string
    {
        $seen = $request->input('seen');

        return is_string($seen) && $seen !== '' ? $seen : null;
    }

    /** @return Collection<int, User> who reviews in its office */
    private function reviewers(DealFile $file): Collection
    {
        return User::query()
            ->where('active', true)
            ->whereHas('officeRoles', static fn ($roles) => $roles->where(['office_id' => $file->office_id, 'role' => Role::Broker]))
            ->orderBy('name')
            ->get();
    }

    private function onward(Requirement $requirement, string $told): RedirectResponse
    {
        // Whoever practises is their own reviewer, and goes back to where they were.
        if ($requirement->file->practice) {
            return to_route('files.show', $requirement->file)->with('told', "{$requirement->title}: {$told}");
        }
        $next = ReviewQueue::of(User::signedIn(request()))->whereKeyNot($requirement->id)->value('key');

        return redirect($next === null ? '/review' : "/review/{$next}")->with('told', "{$requirement->title}: {$told}");
    }
}
