<?php

declare(strict_types=1);

namespace App\Overview\Http;

use App\Files\Actions\MoveStatus;
use App\Files\Agenda;
use App\Files\Glyphs;
use App\Files\PaperOffers;
use App\Files\SignedAmendment;
use App\Files\TaskList;
use App\Models\DealFile;
use App\Models\DraftRead;
use App\Models\JoinRequest;
use App\Models\Paper;
use App\Models\Requirement;
use App\Models\ShelfItem;
use App\Models\Upload;
use App\Models\User;
use App\Models\WorkingCopyPaper;
use App\Overview\Board;
use App\Overview\SignedContract;
use App\Papers\Actions\TakeUpload;
use App\Papers\Deliveries;
use App\Terms\FactBook;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Unanimus\Files\DealStatus;
use Unanimus\Parties\DealKind;
use Unanimus\Review\ReviewState;
use Unanimus\Terms\Derived;

/** The file page: everything of a file in one view, and its history. */
final class FilePageController
{
    /** Entries of the history shown at a time. */
    private const ENTRIES = 60;

    public function show(Request $request, DealFile $file, TakeUpload $take): View
    {
        Gate::authorize('see', $file);
        $me = User::signedIn($request);
        // Who may see it was asked of its members already.
        $file->loadMissing([
            'office',
            'knownFacts',
            'parties',
            'papers.values',
            'papers.latest',
            'papers.returned.copy',
            'requirements',
            'rounds.papers',
            'rounds.signers',
            'rounds.marks',
            'commissions',
            'members',
            'kits',
            'tasks',
            'before',
        ]);
        $file->setRelation('commission', $file->commissions->first());
        $file->requirements->each(static fn (Requirement $one) => $one->setRelation('further', new Collection()));
        $file->requirements->where('has_further', true)->load('further');
        // Remarks stand only at what was sent back.
        $file->requirements->filter(static fn (Requirement $one) => $one->review_state === ReviewState::SentBack)->load('remarks');
        $facts = FactBook::of($file);
        $people = User::query()
            ->whereIn('id', [
                $me->id,
                ...$file->members->pluck('user_id'),
                ...$file->tasks->pluck('user_id')->filter(),
                ...$file->tasks->pluck('done_by')->filter(),
            ])
            ->orderBy('name')
            ->get()
            ->keyBy('id');

        $uploads = Gate::allows('work-on', $file) ? Upload::open($file, $me) : new Collection();
        $uploads->contains('seen', false) && $take->noteShown($uploads->where('seen', false));
        $contract = SignedContract::of($file);
        $worksHere = Gate::allows('work-on', $file) && $file->status->isOpen();

        return view('files.show', [
            'signedAt' => $contract->at,
            'signedOn' => $worksHere && $facts->value('acceptance') === null ? $contract->on : null,
            'isUploaded' => $worksHere && $facts->value('acceptance') === null && $contract->isUploaded,
            'unsigned' => $worksHere && $file->status === DealStatus::UnderContract && $contract->isUnsigned,
            'reads' => $worksHere && $file->has_reads ? self::reads($file) : new Collection(),
            'undelivered' => $worksHere && ! $file->practice ? Deliveries::of($file)->open() : 0,
            'older' => $worksHere && $file->papers->whereNotNull('shelf_item_id')->isNotEmpty() ? ShelfItem::olderIn($file)->count() : 0,
            'came' => $worksHere && $file->isOwnAffair($file->represents->isListing() ? $file->listingSide() : null)
                ? PaperOffers::waiting($file)
                : [],
            'amendments' => $worksHere ? SignedAmendment::waiting($file, $facts) : [],
            'file' => $file,
            'facts' => $facts,
            'agenda' => ($agenda = Agenda::of($file)),
            'line' => $agenda->line(),
            'board' => Board::of($file, $facts),
            'glyphs' => new Glyphs(),
            'works' => ($works = Gate::allows('work-on', $file)),
            'whole' => $file->completeness(),
            'contradictions' => [...Derived::contradictions($facts, $agenda->today), ...$agenda->clashes($file)],
            'stillOpen' => $works && $file->status === DealStatus::UnderContract && $file->commission?->authorized_at !== null
                ? MoveStatus::stillOpen($file)
                : [],
            'tasks' => TaskList::inFile($file, $agenda),
            'people' => $people,
            'members' => $people->filter(
                static fn (User $person) => $person->id === $me->id || $file->members->contains('user_id', $person->id),
            ),
            'follower' => DealFile::query()->where('follows_on', $file->id)->first(),
            'placing' => $uploads->where('is_question', true),
            'uploads' => $uploads->where('seen', false),
            'returned' => $works ? self::returned($file) : new Collection(),
            'deals' => $file->kind->isDeal() ? [] : self::deals(),
            'joining' => $works && $file->represents->isListingAlone()
                    ? JoinRequest::query()
                        ->with('asker')
                        ->where(['deal_file_id' => $file->id, 'state' => 'asked'])
                        ->where('user_id', '<>', $me->id)
                        ->get()
                    : new Collection(),
        ]);
    }

    /** @return Collection<int, DraftRead> drafts that are read, or were with remarks nobody has seen to */
    private static function reads(DealFile $file): Collection
    {
        return DraftRead::query()
            ->with(['reader', 'remarks'])
            ->where('deal_file_id', $file->id)
            ->get()
            ->filter(static fn (DraftRead $one) => $one->done_at === null || $one->open() > 0)
            ->values();
    }

    /** @return Collection<int, WorkingCopyPaper> what came back from the other side's agents and waits to be taken */
    private static function returned(DealFile $file): Collection
    {
        return $file->papers
            ->flatMap(static fn (Paper $paper) => $paper->returned->map(static fn ($one) => $one->setRelation('paper', $paper)))
            ->filter(static fn (WorkingCopyPaper $one) => $one->waits())
            ->pipe(static fn ($all) => new Collection($all->all()));
    }

    /** @return list<string> names of open deals that papers without one may be put into, the newest first */
    private static function deals(): array
    {
        return array_values(
            DealFile::query()
                ->whereIn('status', DealStatus::open())
                ->where('kind', '<>', DealKind::Papers)
                ->orderByDesc('id')
                ->limit(60)
                ->pluck('name')
                ->all(),
        );
    }

    /** What was done in a file, the latest first, as much at a time as one reads. */
    public function history(Request $request, DealFile $file): View
    {
        Gate::authorize('see', $file);
        $given = $request->validate(['before' => 'nullable|integer|min:1']);
        $entries = DB::table('history')
            ->where('deal_file_id', $file->id)
            ->when($given['before'] ?? null, static fn ($query, $before) => $query->where('seq', '<', (int) $before))
            ->orderByDesc('seq')
            ->limit(self::ENTRIES)
            ->get();

        return view('files.history', [
            'file' => $file->load('office'),
            'entries' => $entries,
            'earlier' => $entries->count() === self::ENTRIES ? $entries->last()?->seq : null,
        ]);
    }
}
