<?php

declare(strict_types=1);

namespace App\Moving\Http;

use App\Models\Import;
use App\Models\Office;
use App\Models\User;
use App\Moving\Actions\ImportFiles;
use App\Moving\Actions\MatchParcel;
use App\Moving\Actions\TakeParcel;
use App\Storage\Bytes;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Unanimus\Exchange\ColumnMatch;
use Unanimus\Exchange\CsvCells;
use Unanimus\Exchange\Sheet;
use Unanimus\Exchange\SheetUnreadable;
use Unanimus\Intake\Workbook;
use Unanimus\Intake\WorkbookUnreadable;
use Unanimus\Moving\ZipParcel;
use Unanimus\Steps\StepRefused;

/** Files from a spreadsheet: taken in, matched, tried, opened. */
final class ImportController
{
    /** The largest ZIP that is uploaded, in kilobytes; what is larger comes in from a folder of the server. */
    private const LARGEST_ZIP = 100 * 1024;

    private const TOO_LARGE = 'This file is larger than 100 MB. Upload it as several parts, or ask whoever runs the server to move it in '.
        'from a folder there.';

    public function index(Request $request): View
    {
        Gate::authorize('import-files');

        return view('moving.imports', [
            'imports' => Import::query()->where('user_id', User::signedIn($request)->id)->orderByDesc('id')->limit(30)->get(),
        ]);
    }

    public function store(Request $request, ImportFiles $files, TakeParcel $parcels, Bytes $bytes): RedirectResponse
    {
        Gate::authorize('import-files');
        $request->validate(
            ['table' => 'required|file|max:'.self::LARGEST_ZIP],
            ['table.required' => 'Choose a spreadsheet or a ZIP.',
                'table.uploaded' => self::TOO_LARGE,
                'table.max' => self::TOO_LARGE],
        );
        $upload = $request->file('table');
        $upload instanceof UploadedFile || abort(422);
        $name = $upload->getClientOriginalName();
        $by = User::signedIn($request);
        try {
            if (ZipParcel::isOne($upload->getPathname())) {
                $sha256 = $bytes->keep($by->brokerage_id, (string) file_get_contents($upload->getPathname()), 'application/zip');
                [$import, $warnings] = $parcels(new ZipParcel($upload->getPathname(), $name), $by, $sha256);
            } else {
                [$import, $warnings] = $files->take(self::csv($upload), $name, $by, $bytes);
            }
        } catch (SheetUnreadable|WorkbookUnreadable|StepRefused $unreadable) {
            return back()->with('refused', "{$name}: {$unreadable->getMessage()} Nothing was changed.");
        }

        return to_route('imports.show', $import)->with(array_filter(['refused' => implode(' ', $warnings)]));
    }

    /** @throws SheetUnreadable|WorkbookUnreadable */
    private static function csv(UploadedFile $upload): string
    {
        return $upload->getSize() > Sheet::MOST_BYTES
            ? throw new SheetUnreadable('This spreadsheet is larger than 8 MB. Upload it as several parts.')
            : Workbook::toCsv((string) file_get_contents($upload->getPathname()));
    }

    public function show(Request $request, Import $import): View
    {
        self::own($request, $import);
        $only = (string) $request->query('only', '');

        return view('moving.import', [
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
            'papers' => $import->papers()->reorder()->count(),
            'unread' => $import->papers()->reorder()->where('outcome', 'unread')->count(),
            'lists' => $import->lists()->reorder()->exists(),
        ]);
    }

    public function try(Request $request, Import $import, ImportFiles $files, MatchParcel $match): RedirectResponse
    {
        self::own($request, $import);
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
        $match($import->refresh());
        $match->tryOut($import);

        return to_route('imports.show', $import)->with('told', 'Test done. Nothing was saved. Below you see what each row would become.');
    }

    public function start(Request $request, Import $import, ImportFiles $files): RedirectResponse
    {
        self::own($request, $import);
        $files->start($import);

        return to_route('imports.show', $import)->with('told', 'Opening the files. You can leave this page. It keeps going.');
    }

    /** How far it is, for the page that watches. */
    public function progress(Request $request, Import $import): View
    {
        self::own($request, $import);

        return view('moving.import-progress', ['import' => $import, 'counts' => $import->counts()]);
    }

    /** Opens a row after all that is the same as another. */
    public function anyway(Request $request, Import $import, int $number, ImportFiles $files): RedirectResponse
    {
        self::own($request, $import);
        $files->openAnyway($import, $number);

        return back();
    }

    /** The rows that were not opened, with why, as a table to be mended and brought in again. */
    public function left(Request $request, Import $import): StreamedResponse
    {
        self::own($request, $import);
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

    public static function own(Request $request, Import $import): void
    {
        $import->user_id === User::signedIn($request)->id || abort(404);
    }
}
