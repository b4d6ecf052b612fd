<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\Paper;
use App\Models\Round;
use App\Models\ShelfItem;
use App\Models\Upload;
use App\Models\User;
use App\Papers\SelectedPapers;
use App\Shelf\Actions\KeepShelf;
use App\Signing\Actions\ArrangePapers;
use App\Signing\Actions\ComposeRound;
use App\Signing\Actions\PartRound;
use App\Signing\Actions\TakeDeskStep;
use App\Signing\RoundDesk;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;

/** The papers on the composing desk: added, taken out, put in order, looked at. */
final class RoundPapersController
{
    public function __construct(private readonly ArrangePapers $arrange, private readonly TakeDeskStep $steps)
    {
    }

    /** Papers of the file by their keys, or what was just brought in by the keys of its uploads. */
    public function store(Request $request, Round $round, KeepShelf $shelf): RedirectResponse|JsonResponse
    {
        Gate::authorize('work-on', $round->file);
        $given = $request->validate(
            [
                'papers' => 'required_without_all:uploads,shelf|array|max:60',
                'papers.*' => 'string|max:26',
                'uploads' => 'nullable|array|max:60',
                'uploads.*' => 'string|max:60',
                'shelf' => 'nullable|string|size:26',
            ],
            ['papers.required_without_all' => 'Select at least one paper first.'],
        );
        $brought = Upload::query()
            ->where('deal_file_id', $round->deal_file_id)
            ->whereIn('key', $given['uploads'] ?? [])
            ->whereNotNull('paper_id')
            ->with('paper')
            ->get()
            ->map(static fn (Upload $upload) => $upload->paper->key ?? '')
            ->all();
        $item = ($given['shelf'] ?? '') === '' ? null : ShelfItem::forFiles(User::signedIn($request))->firstWhere('key', $given['shelf']);
        $shelved = $item === null ? [] : [$shelf->take($item, $round->file)->key];
        $papers = SelectedPapers::from($round->file->unsetRelation('papers'), [...$given['papers'] ?? [], ...$brought, ...$shelved]);
        $count = $this->arrange->add($round, $papers, User::signedIn($request));
        $told = $count === 1 ? 'Added 1 paper.' : "Added {$count} papers.";

        return $request->expectsJson() ? new JsonResponse(['told' => $told]) : to_route('rounds.show', $round)->with('told', $told);
    }

    public function destroy(Request $request, Round $round, int $position): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $by = User::signedIn($request);
        $this->steps->take($round, TakeDeskStep::word(), $by, fn () => $this->arrange->takeOut($round, $position));

        $told = 'Taken out of this round. The paper stays in the file; Undo brings it back here.';

        return to_route('rounds.show', $round)->with('told', $told);
    }

    public function order(Request $request, Round $round): Response
    {
        Gate::authorize('work-on', $round->file);
        $given = $request->validate(['papers' => 'required|array|max:200', 'papers.*' => 'integer|min:0|max:1000']);
        $order = array_values(array_map(intval(...), $given['papers']));
        $this->steps->take($round, TakeDeskStep::word(), User::signedIn($request), fn () => $this->arrange->order($round, $order));

        return new Response('', 204);
    }

    public function looked(Request $request, Round $round): Response
    {
        Gate::authorize('work-on', $round->file);
        $given = $request->validate(['paper' => 'required|integer|min:0|max:1000', 'page' => 'required|integer|min:1|max:2000']);
        if (! $this->arrange->looked($round, (int) $given['paper'], (int) $given['page'])) {
            return new Response('', 204);
        }

        $round = RoundDesk::fresh($round);

        return response()->view('signing.faults', ['round' => $round, 'faults' => ComposeRound::faults($round)]);
    }

    /** @return list<Paper> papers of the file that could go into the round */
    public static function open(Round $round): array
    {
        $there = $round->papers->pluck('paper_id')->all();

        return array_values(
            $round->file->papers
                ->filter(static fn (Paper $paper) => $paper->state->isOpen() && ! in_array($paper->id, $there, true))
                ->sortBy('title')
                ->all(),
        );
    }

    /** A large set is parted into small rounds. */
    public function part(Request $request, Round $round, PartRound $part): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $given = $request->validate(['when' => 'required|string|in:sent,signed']);
        $rounds = $part($round, $given['when']);
        $told = 'Split into '.count($rounds).' rounds. Send this one; the others go out '.
            ($given['when'] === 'sent' ? 'with it, each in an email of its own.' : 'by themselves, each when the one before is signed.');

        return to_route('rounds.show', $round)->with('told', $told);
    }
}
