<?php

declare(strict_types=1);

namespace App\Overview\Http;

use App\Models\SavedView;
use App\Models\ShelfItem;
use App\Models\User;
use App\Overview\Actions\KeepViews;
use App\Overview\FileCell;
use App\Overview\Finder;
use App\Overview\OnPapers;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Unanimus\Exchange\CsvCells;
use Unanimus\Finding\Query;

/** The files list: finding, columns, sorting, kept views, out as CSV. */
final class FindController
{
    public function index(Request $request): View|RedirectResponse
    {
        $user = User::signedIn($request);
        $query = Query::parse((string) $request->query('q', ''));
        $columns = $this->columns($request);
        $files = Finder::find($query, $user, (string) $request->query('sort', ''), $request->boolean('down'))
            ->with([...self::needs($columns), ...$query->words === [] ? [] : ['parties']])
            ->simplePaginate(60)
            ->withQueryString();
        // Enter in the search field opens what fits alone.
        if (
            $request->boolean('go') &&
            $query->words !== [] &&
            $query->fields === [] &&
            $files->count() === 1 &&
            $files->currentPage() === 1
        ) {
            return to_route('files.show', $files->getCollection()->firstOrFail());
        }

        return view('files.index', [
            'files' => $files,
            'query' => $query,
            'wanted' => trim((string) $request->query('q', '')),
            'columns' => $columns,
            'matched' => [
                ...Finder::matched($query->words === [] ? [] : $files->items(), $query->words),
                ...OnPapers::said($files->items(), $query),
            ],
            'views' => SavedView::query()->orderBy('name')->get(),
        ]);
    }

    /** What the last word in the field may go on with, and the files it finds already. */
    public function complete(Request $request): View
    {
        $typed = (string) $request->query('q', '');
        $query = Query::parse($typed);

        return view('files.completions', [
            'completions' => $typed === '' ? [] : array_slice(
                Query::completions($typed, str_contains($typed, ':') ? Finder::known() : []),
                0,
                8,
            ),
            'files' => mb_strlen(implode('', $query->words)) < 2 && $query->fields === []
                    ? collect()
                    : Finder::find($query, User::signedIn($request))->with('parties')->limit(6)->get(),
            'shelf' => mb_strlen(implode('', $query->words)) < 2 ? collect() : ShelfItem::inUse(User::signedIn($request))
                ->whereRaw('lower(title) LIKE ?', ['%'.addcslashes(mb_strtolower(implode(' ', $query->words)), '%_\\').'%'])->limit(3)
                ->get(),
            'faults' => $query->faults,
            'words' => $query->words,
        ]);
    }

    public function csv(Request $request): StreamedResponse
    {
        $columns = $this->columns($request);
        $found = Finder::find(
            Query::parse((string) $request->input('q', '')),
            User::signedIn($request),
            (string) $request->query('sort', ''),
            $request->boolean('down'),
        )->with(self::needs($columns));
        $keys = array_filter((array) $request->input('take', []), is_string(...));
        $rows = $found
            ->when($keys !== [], static fn ($query) => $query->whereIn('deal_files.key', $keys))
            ->limit(20000)
            ->get();

        return response()->streamDownload(
            static function () use ($rows, $columns): void {
                $out = fopen('php://output', 'w') ?: throw new \RuntimeException('No output.');
                fwrite($out, "\u{FEFF}");
                fputcsv(
                    $out,
                    ['File', ...array_map(static fn (string $column) => Finder::COLUMNS[$column][0], $columns)],
                    ',',
                    '"',
                    '',
                    "\r\n",
                );
                foreach ($rows as $file) {
                    fputcsv(
                        $out,
                        CsvCells::safe([
                            $file->name,
                            ...array_map(static fn (string $column) => FileCell::of($file, $column, true), $columns),
                        ]),
                        ',',
                        '"',
                        '',
                        "\r\n",
                    );
                }
            },
            'files.csv',
            ['Content-Type' => 'text/csv; charset=utf-8'],
        );
    }

    public function keep(Request $request, KeepViews $views): RedirectResponse
    {
        $user = User::signedIn($request);
        $given = $request->validate(
            [
                'name' => 'required|string|max:60',
                'query' => 'nullable|string|max:400',
                'columns' => 'nullable|string|max:200',
                'shared' => 'nullable|boolean',
            ],
            ['name.required' => 'Name the view.'],
        );
        $views->keep(
            $user,
            $given['name'],
            (string) ($given['query'] ?? ''),
            (string) ($given['columns'] ?? ''),
            (bool) ($given['shared'] ?? false),
        );

        return back()->with('told', 'View saved.');
    }

    public function drop(Request $request, SavedView $view, KeepViews $views): RedirectResponse
    {
        $views->drop(User::signedIn($request), $view);

        return back()->with('told', 'View deleted.');
    }

    /**
     * @param list<string> $columns
     * @return list<string> the relations they are read from
     */
    private static function needs(array $columns): array
    {
        return [
            'office',
            'knownFacts',
            'members.user',
            ...in_array('client', $columns, true) ? ['parties'] : [],
            ...in_array('next', $columns, true) ? ['kits'] : [],
            ...in_array('owes', $columns, true) ? ['rounds.signers'] : [],
            ...in_array('late', $columns, true) ? ['requirements'] : [],
        ];
    }

    /** @return list<string> */
    private function columns(Request $request): array
    {
        $asked = $request->query('columns');
        $asked = is_array($asked) ? $asked : explode(',', (string) $asked);
        $columns = array_values(array_filter($asked, static fn ($column) => is_string($column) && isset(Finder::COLUMNS[$column])));

        return $columns === [] ? Finder::USUAL : array_values(array_unique($columns));
    }
}
