<?php

declare(strict_types=1);

namespace App\Files\Http;

use App\Files\Actions\ImportFiles;
use App\Models\Import;
use App\Models\Office;
use App\Models\User;
use App\Storage\Bytes;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Unanimus\Exchange\ColumnMatch;
use Unanimus\Exchange\CsvCells;
use Unanimus\Exchange\SheetUnreadable;
use Unanimus\Intake\Workbook;
use Unanimus\Intake\WorkbookUnreadable;

/** Files from a spreadsheet: taken in, matched, tried, opened. */
final class ImportController
{
    public function index(Request $request): View
    {
        Gate::authorize('open-files');

        return view('files.imports', [
            'imports' => Import::query()->where('user_id', User::signedIn($request)->id)->orderByDesc('id')->limit(30)->get(),
        ]);
    }

    public function store(Request $request, ImportFiles $files, Bytes $bytes): RedirectResponse
    {
        Gate::authorize('open-files');
        $request->validate(
            ['table' => 'required|file|max:8192'],
            ['table.required' => 'Choose a spreadsheet.',
                'table.max' => 'This spreadsheet is larger than 8 MB. Upload it as several parts.'],
        );
        $upload = $request->file('table');
        $upload instanceof UploadedFile || abort(422);
        try {
            [$import, $warnings] = $files->take(
                Workbook::toCsv((string) file_get_contents($upload->getPathname())),
                $upload->getClientOriginalName(),
                User::signedIn($request),
                $bytes,
            );
        } catch (SheetUnreadable|WorkbookUnreadable $unreadable) {
            return back()->with('refused', "{$upload->getClientOriginalName()}: {$unreadable->getMessage()} Nothing was changed.");
        }

        return to_route('imports.show', $import)->with(array_filter(['refused' => implode(' ', $warnings)]));
    }

    public function show(Request $request, Import $import): View
    {
        $this->own($request, $import);
        $only = (string) $request->query('only', '');

        return view('files.import', [
            'import' => $import,
            'counts' => $import->counts(),
            'targets' => ColumnMatch::targets(),
            'sample' => $import->lines()->limit(3)->get(),
            'offices' => Office::query()
                ->whereIn('id', User::signedIn($request)->officeRoles->pluck('office_id'))
                ->orderBy('name')
                ->get(),
            'lines' => $import
                ->lines()
                ->when(in_array($only, ['fit', 'unfit', 'twin', 'opened'], true), static fn ($query) => $query->where('outcome', $only))
                ->leftJoin('deal_files', 'deal_files.id', '=', 'import_rows.deal_file_id')
                ->select('import_rows.*', 'deal_files.key AS file_key')
                ->simplePaginate(100)
                ->withQueryString(),
            'only' => $only,
        ]);
    }

    public function try(Request $request, Import $import, ImportFiles $files): RedirectResponse
    {
        $this->own($request, $import);
        $given = $request->validate([
            'matched' => 'required|array|max:80',
            'matched.*' => 'nullable|string|max:60',
            'office' => 'required|string|max:26',
        ]);
        $office = Office::query()
            ->where('key', $given['office'])
            ->whereIn('id', User::signedIn($request)->officeRoles->pluck('office_id'))
            ->firstOrFail();
        $files->try($import, array_map(static fn ($fact) => (string) $fact, $given['matched']), $office->id, User::signedIn($request));

        return to_route('imports.show', $import)->with('told', 'Test done. Nothing was saved. Below you see what each row would become.');
    }

    public function start(Request $request, Import $import, ImportFiles $files): RedirectResponse
    {
        $this->own($request, $import);
        $files->start($import);

        return to_route('imports.show', $import)->with('told', 'Opening the files. You can leave this page. It keeps going.');
    }

    /** How far it is, for the page that watches. */
    public function progress(Request $request, Import $import): View
    {
        $this->own($request, $import);

        return view('files.import-progress', ['import' => $import, 'counts' => $import->counts()]);
    }

    /** Opens a row after all that is the same as another. */
    public function anyway(Request $request, Import $import, int $number, ImportFiles $files): RedirectResponse
    {
        $this->own($request, $import);
        $files->openAnyway($import, $number);

        return back();
    }

    /** The rows that were not opened, with why, as a table to be mended and brought in again. */
    public function left(Request $request, Import $import): StreamedResponse
    {
        $this->own($request, $import);
        $lines = $import
            ->lines()
            ->whereIn('outcome', ['unfit', 'twin'])
            ->get();

        return response()->streamDownload(
            static function () use ($import, $lines): void {
                $out = fopen('php://output', 'w') ?: throw new \RuntimeException('No output.');
                fwrite($out, "\u{FEFF}");
                fputcsv($out, CsvCells::safe([...$import->columns, 'Why not']), ',', '"', '', "\r\n");
                foreach ($lines as $line) {
                    fputcsv(
                        $out,
                        CsvCells::safe([
                            ...array_slice(array_pad($line->cells, count($import->columns), ''), 0, count($import->columns)),
                            $line->told,
                        ]),
                        ',',
                        '"',
                        '',
                        "\r\n",
                    );
                }
            },
            'left.csv',
            ['Content-Type' => 'text/csv; charset=utf-8'],
        );
    }

    private function own(Request $request, Import $import): void
    {
        $import->user_id === User::signedIn($request)->id || abort(404);
    }
}
