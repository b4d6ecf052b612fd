<?php

declare(strict_types=1);

namespace App\Moving\Http;

use App\Models\Import;
use App\Moving\Actions\BringPerson;
use App\Moving\Actions\MatchParcel;
use App\Moving\Jobs\BringPapers;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Unanimus\Exchange\CsvCells;
use Unanimus\Moving\ListKind;

/** What came along with a spreadsheet of files: its documents by folder, and lists of tasks, people and contacts. */
final class ParcelController
{
    private const STATES = ['unread', 'waiting', 'taken', 'refused'];

    public function show(Request $request, Import $import): View
    {
        ImportController::own($request, $import);
        $only = (string) $request->query('only', '');

        return view('moving.parcel', [
            'import' => $import,
            'only' => $only,
            'counts' => self::counts($import),
            'folders' => $import->papers()->reorder()
                ->leftJoin('import_rows', static fn ($join) => $join->on('import_rows.import_id', '=', 'moved_papers.import_id')
                    ->on('import_rows.number', '=', 'moved_papers.row_number'))
                ->groupBy('folder', 'row_number', 'import_rows.told', 'import_rows.outcome')
                ->selectRaw('folder, row_number, import_rows.told AS name, import_rows.outcome AS row_outcome, count(*) AS n,
                    max(CASE WHEN row_number IS NULL THEN moved_papers.told END) AS why')
                ->orderByRaw('row_number IS NOT NULL, folder')
                ->limit(400)
                ->get(),
            'rows' => $import->lines()->whereIn('outcome', ['fit', 'opened', 'twin'])->limit(2000)->get(['number', 'told']),
            'papers' => $import->papers()
                ->with(['file', 'paper'])
                ->when(in_array($only, self::STATES, true), static fn ($query) => $query->where('outcome', $only))
                ->when($only === 'waiting', static fn ($query) => $query->whereNotNull('row_number'))
                ->when($only === 'none', static fn ($query) => $query->where('outcome', 'waiting')->whereNull('row_number'))
                ->simplePaginate(100)
                ->withQueryString(),
            'lists' => $import->lists()->reorder()->groupBy('kind', 'outcome')->selectRaw('kind, outcome, count(*) AS n')->get()
                ->groupBy('kind')->map(static fn ($all) => $all->pluck('n', 'outcome')->all())->all(),
            'notes' => $import->lists()->where('told', '<>', '')->orderBy('kind')->limit(200)->get(),
            'isWorking' => self::isWorking($import),
            'able' => $import->state === 'done' ? BringPapers::able($import)->count() : 0,
        ]);
    }

    /** How far it is, for the page that watches. */
    public function progress(Request $request, Import $import): View
    {
        ImportController::own($request, $import);

        return view('moving.parcel-progress', [
            'import' => $import,
            'counts' => self::counts($import),
            'isWorking' => self::isWorking($import),
        ]);
    }

    public function folder(Request $request, Import $import, MatchParcel $match): RedirectResponse
    {
        ImportController::own($request, $import);
        $given = $request->validate(['folder' => 'present|nullable|string|max:1000', 'row' => 'nullable|integer|min:0|max:999999']);
        $match->put($import, (string) $given['folder'], (int) ($given['row'] ?? 0));
        match ($import->refresh()->state) {
            'tried' => $match->tryOut($import),
            'done' => BringPapers::begin($import->brokerage_id, $import->id),
            default => null,
        };

        return to_route('imports.papers.index', $import)->with('told', 'Matched.');
    }

    /** What is left to do with documents whose file is open. */
    public function goOn(Request $request, Import $import, MatchParcel $match): RedirectResponse
    {
        ImportController::own($request, $import);
        $request->boolean('again') && $import->state === 'done' && $match->again($import);
        $import->state === 'done' && BringPapers::begin($import->brokerage_id, $import->id);

        return to_route('imports.papers.index', $import)->with('told', 'Continuing. You can leave this page.');
    }

    /** Invites the people, or keeps the contacts. */
    public function people(Request $request, Import $import, BringPerson $people): RedirectResponse
    {
        ImportController::own($request, $import);
        $given = $request->validate(['kind' => ['required', Rule::in([ListKind::People->value, ListKind::Contacts->value])]]);
        $kind = ListKind::from($given['kind']);
        $count = $people->all($import, $kind);

        return to_route('imports.papers.index', $import)->with('told', $kind === ListKind::People
            ? "Inviting {$count}. Test the import again once they are here, so that their files fit."
            : "Adding {$count} to the address book.");
    }

    /** Every document with what became of it, as a spreadsheet. */
    public function report(Request $request, Import $import): StreamedResponse
    {
        ImportController::own($request, $import);
        $left = $request->query('only') === 'left';
        // Asked for now: what is streamed goes out after the request's transaction.
        $papers = $import->papers()->reorder()
            ->leftJoin('deal_files', 'deal_files.id', '=', 'moved_papers.deal_file_id')
            ->leftJoin('papers', 'papers.id', '=', 'moved_papers.paper_id')
            ->when($left, static fn ($query) => $query->where('outcome', '<>', 'taken'))
            ->orderBy('moved_papers.id')
            ->toBase()
            ->get(['path', 'row_number', 'outcome', 'told', 'deal_files.name AS file', 'papers.title AS placed']);
        $lines = $import->lists()->when($left, static fn ($query) => $query->where('outcome', 'refused'))->get();

        return response()->streamDownload(
            static function () use ($papers, $lines): void {
                $out = fopen('php://output', 'w') ?: throw new \RuntimeException('No output.');
                fwrite($out, "\u{FEFF}");
                $put = static fn (array $cells) => fputcsv($out, CsvCells::safe($cells), ',', '"', '', "\r\n");
                $put(['Document', 'Row', 'File', 'Placed as', 'Outcome', 'Note']);
                foreach ($papers as $one) {
                    $put([$one->path, (string) $one->row_number, (string) $one->file, (string) $one->placed,
                        self::word($one->outcome, $one->row_number), $one->told]);
                }
                foreach ($lines as $line) {
                    $put(["{$line->kind}, row {$line->number}", (string) $line->row_number, '', implode(' · ', array_filter($line->cells)),
                        $line->outcome, $line->told]);
                }
            },
            $left ? 'not-taken.csv' : 'documents.csv',
            ['Content-Type' => 'text/csv; charset=utf-8'],
        );
    }

    /** What became of a document, in a word. */
    public static function word(string $outcome, ?int $row): string
    {
        return match (true) {
            $outcome === 'unread' => 'not read yet',
            $outcome === 'taken' => 'in the file',
            $outcome === 'refused' => 'not taken',
            $row === null => 'no file',
            default => 'waiting for its file',
        };
    }

    /** @return array<string, int> documents by outcome, and "none" of those without a row */
    private static function counts(Import $import): array
    {
        $counts = $import->papers()->reorder()->groupBy('outcome')->selectRaw('outcome, count(*) AS n')->pluck('n', 'outcome')->all();
        $none = $import->papers()->reorder()->where('outcome', 'waiting')->whereNull('row_number')->count();

        return array_map(intval(...), [
            ...array_fill_keys(self::STATES, 0),
            ...$counts,
            'waiting' => ($counts['waiting'] ?? 0) - $none,
            'none' => $none,
        ]);
    }

    private static function isWorking(Import $import): bool
    {
        return $import->state === 'running'
            || $import->lists()->where('outcome', 'asked')->exists()
            || $import->papers()->where('outcome', 'unread')->exists()
            || ($import->state === 'done' && BringPapers::able($import)->exists());
    }
}
