<?php

declare(strict_types=1);

namespace App\Review\Http;

use App\Models\DealFile;
use App\Models\DraftRead;
use App\Models\DraftRemark;
use App\Models\Paper;
use App\Models\User;
use App\Papers\PaperView;
use App\Papers\SelectedPapers;
use App\Review\Actions\ReadDrafts;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Pages\Rect;

/** Drafts that a colleague reads before anything is submitted. */
final class DraftReadController
{
    public function store(Request $request, DealFile $file, ReadDrafts $reads): RedirectResponse
    {
        Gate::authorize('work-on', $file->load(['members', 'office']));
        $given = $request->validate(
            [
                'papers' => 'required|array|max:60',
                'papers.*' => 'string|max:26',
                'reader' => 'required|string|max:26',
                'message' => 'nullable|string|max:1000',
            ],
            ['papers.required' => 'Select at least one paper first.', 'reader.required' => 'Choose who reads them.'],
        );
        $reader = User::query()->where('key', $given['reader'])->firstOrFail();
        $papers = array_values(array_filter(
            SelectedPapers::from($file, $given['papers']),
            static fn (Paper $paper) => $paper->isDraft() || $paper->latest !== null,
        ));
        $reads->ask($file, $papers, $reader, (string) ($given['message'] ?? ''), User::signedIn($request));

        return to_route('files.show', $file)->with('told', "{$reader->name} is asked to read them. Nothing was submitted.");
    }

    /** Whom one can ask, opened with the menu. */
    public function readers(Request $request, DealFile $file): View
    {
        Gate::authorize('work-on', $file->load('members'));

        return view('review.readers', ['file' => $file, 'readers' => $file->colleagues(User::signedIn($request))]);
    }

    public function show(Request $request, DraftRead $read): View
    {
        $read->load(['file.office', 'file.knownFacts', 'file.parties', 'file.members', 'file.papers', 'remarks']);
        Gate::authorize('see', $read->file);
        $papers = $read->file->papers->whereIn('key', $read->papers)->values();
        $key = $request->validate(['paper' => 'nullable|string|max:26'])['paper'] ?? null;
        $paper = $papers->firstWhere('key', $key) ?? $papers->first() ?? abort(404);
        $paper->load(['values', 'latest'])->setRelation('file', $read->file);

        return view('review.reads', [
            'read' => $read,
            'file' => $read->file,
            'papers' => $papers,
            'paper' => $paper,
            'view' => PaperView::of($paper),
            'mine' => $read->reader_id === User::signedIn($request)->id,
            'works' => Gate::allows('work-on', $read->file),
            'names' => User::query()->whereIn('id', $read->remarks->pluck('user_id'))->pluck('name', 'id'),
        ]);
    }

    public function note(Request $request, DraftRead $read, ReadDrafts $reads): RedirectResponse
    {
        Gate::authorize('see', $read->load(['file.papers', 'file.members'])->file);
        $user = User::signedIn($request);
        if (! in_array($user->id, [$read->reader_id, $read->user_id], true)) {
            abort(403);
        }
        $given = $request->validate([
            'paper' => 'required|string|max:26',
            'remark' => 'nullable|string|max:2000',
            'page' => 'nullable|integer|between:1,1000',
            'x' => 'nullable|numeric|between:0,14400',
            'y' => 'nullable|numeric|between:0,14400',
        ]);
        $paper = $read->file->papers->whereIn('key', $read->papers)->firstWhere('key', $given['paper']) ?? abort(404);
        $place = isset($given['page'], $given['x'], $given['y']) ? new Rect((float) $given['x'], (float) $given['y'], 1, 1) : null;
        $page = isset($given['page']) ? (int) $given['page'] : null;
        $reads->note($read, $paper, $user, (string) ($given['remark'] ?? ''), $page, $place);

        return redirect("/reads/{$read->key}?paper={$paper->key}")->with('told', 'Pinned.');
    }

    public function resolve(DraftRead $read, DraftRemark $remark, ReadDrafts $reads): RedirectResponse
    {
        Gate::authorize('work-on', $read->load(['file.members'])->file);
        abort_unless($remark->draft_read_id === $read->id, 404);
        $reads->resolve($remark);
        $paper = Paper::query()->whereKey($remark->paper_id)->value('key');

        return redirect("/reads/{$read->key}?paper={$paper}")->with('told', 'Seen to.');
    }

    public function done(Request $request, DraftRead $read, ReadDrafts $reads): RedirectResponse
    {
        Gate::authorize('see', $read->load(['file.members', 'reader', 'asker'])->file);
        abort_unless($read->reader_id === User::signedIn($request)->id, 403);
        $reads->done($read);

        return redirect('/')->with('told', "{$read->asker->name} is told that you have read them.");
    }
}
