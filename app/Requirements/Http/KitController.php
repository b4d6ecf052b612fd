<?php

declare(strict_types=1);

namespace App\Requirements\Http;

use App\Models\DealFile;
use App\Models\Office;
use App\Models\StoredKit;
use App\Models\User;
use App\Requirements\Actions\ApplyKit;
use App\Requirements\Actions\SaveKit;
use App\Requirements\GivenConditions;
use App\Requirements\KitShelf;
use App\Requirements\Preview;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Dates\LocalDate;
use Unanimus\Forms\FormUnknown;
use Unanimus\Forms\Library;
use Unanimus\Requirements\ConditionUnreadable;
use Unanimus\Requirements\Group;
use Unanimus\Requirements\Kit;
use Unanimus\Requirements\KitItem;
use Unanimus\Requirements\KitRefusal;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\Kind;

/** The kits: looking, copying, changing, applying. */
final class KitController
{
    public function index(Request $request): View
    {
        Gate::authorize('open-kits');

        return view('requirements.kits', [
            'shelf' => KitShelf::for(User::signedIn($request)),
            'offices' => Office::query()->orderBy('name')->get(),
        ]);
    }

    public function show(Request $request, string $key, Library $library): View
    {
        Gate::authorize('open-kits');
        $stored = StoredKit::query()->where('key', $key)->first();
        $kit = KitShelf::get($key, $stored->version ?? 0);

        return view('requirements.kit', [
            'kit' => $kit,
            'stored' => $stored,
            'mine' => $stored !== null && SaveKit::may(User::signedIn($request), $stored),
            'forms' => $library->all(),
            'versions' => $stored?->versions()->limit(20)->get() ?? collect(),
            'when' => GivenConditions::lines($kit->when?->toArray() ?? ['all' => []]),
            'offices' => Office::query()->orderBy('name')->get(),
        ]);
    }

    /** The conditions under which one paper of the kit is called for. */
    public function item(Request $request, string $key, int $place): View
    {
        Gate::authorize('open-kits');
        $stored = StoredKit::query()->where('key', $key)->first();
        $kit = KitShelf::get($key, $stored->version ?? 0);
        $item = $kit->items[$place] ?? abort(404);

        return view('requirements.kit-item', [
            'kit' => $kit,
            'stored' => $stored,
            'place' => $place,
            'item' => $item,
            'when' => GivenConditions::lines($item->when->toArray()),
            'mine' => $stored !== null && SaveKit::may(User::signedIn($request), $stored),
        ]);
    }

    /** A form of the kit, to be answered beforehand on its own pages. */
    public function form(Request $request, string $key, string $number, Library $library): View
    {
        Gate::authorize('open-kits');
        $stored = StoredKit::query()->where('key', $key)->first();
        $kit = KitShelf::get($key, $stored->version ?? 0);
        try {
            $form = $library->form($number);
        } catch (FormUnknown) {
            abort(404);
        }

        return view('requirements.form', [
            'kit' => $kit,
            'stored' => $stored,
            'form' => $form,
            'answers' => $kit->answers[$number] ?? [],
            'mine' => $stored !== null && SaveKit::may(User::signedIn($request), $stored),
        ]);
    }

    public function store(Request $request, SaveKit $save): RedirectResponse
    {
        Gate::authorize('open-kits');
        $given = $request->validate(
            ['name' => 'required|string|max:80', 'of' => 'required|string|max:26', 'copy' => 'nullable|string|max:60'],
            ['name.required' => 'Name the kit.'],
        );
        $copied =
            ($given['copy'] ?? '') === ''
                ? null
                : KitShelf::get((string) $given['copy'], StoredKit::query()->where('key', $given['copy'])->value('version') ?? 0);
        $office = in_array($given['of'], ['me', 'all'], true) ? null : Office::query()->where('key', $given['of'])->firstOrFail();
        $stored = $save->start(User::signedIn($request), $given['name'], $given['of'] === 'me', $office?->id, $copied);

        return to_route('kits.show', $stored)->with('told', 'Kit created. Each change you save becomes a new version.');
    }

    public function update(Request $request, StoredKit $kit, SaveKit $save): RedirectResponse
    {
        $user = User::signedIn($request);
        SaveKit::may($user, $kit) || abort(403);
        $request->validate([
            'seen' => 'required|integer',
            'part' => 'required|in:about,items,item,answers,deadlines,tasks,contacts,fees,when',
            'place' => 'nullable|integer|between:0,400',
            'lines' => 'nullable|array|max:200',
            'name' => 'nullable|string|max:80',
            'note' => 'nullable|string|max:400',
        ]);
        $parts = match ($request->input('part')) {
            'about' => ['name' => $request->string('name')->toString(), 'note' => $request->string('note')->toString()],
            'when' => ['when' => $request->boolean('by_itself') ? GivenConditions::from($request) : null],
            'item' => ['items' => $this->itemWith(KitShelf::get($kit->key, $kit->version), $request)],
            'answers' => ['answers' => $this->answers($request, KitShelf::get($kit->key, $kit->version)->answers)],
            default => [$request->string('part')->toString() => $this->lines($request)],
        };
        $save->change($kit, $parts, $request->integer('seen'), $user);

        return redirect("/kits/{$kit->key}".($request->input('part') === 'answers' ? '/forms/'.$request->string('form') : ''))->with(
            'told',
            'Saved as a new version. Open files keep theirs.',
        );
    }

    public function bringBack(Request $request, StoredKit $kit, int $version, SaveKit $save): RedirectResponse
    {
        SaveKit::may(User::signedIn($request), $kit) || abort(403);
        $save->bringBack($kit, $version, User::signedIn($request));

        return to_route('kits.show', $kit)->with('told', "Version {$version} restored.");
    }

    public function retire(Request $request, StoredKit $kit, SaveKit $save): RedirectResponse
    {
        SaveKit::may(User::signedIn($request), $kit) || abort(403);
        $save->retire($kit);

        return to_route('kits.index')->with('told', 'Kit retired. Files started with it keep it.');
    }

    /** To which files the conditions in the editor would apply. */
    public function preview(Request $request): View
    {
        Gate::authorize('open-kits');
        try {
            $group = Group::fromArray(GivenConditions::from($request));
        } catch (ConditionUnreadable $unreadable) {
            return view('requirements.preview', ['fault' => $unreadable->getMessage(), 'found' => null, 'words' => '']);
        }

        return view('requirements.preview', ['fault' => null, 'found' => Preview::of($group), 'words' => $group->words()]);
    }

    /** What a kit would add to a file, before it does. */
    /** The kits that may be applied to a file. */
    public function ofFile(Request $request, DealFile $file): View
    {
        Gate::authorize('work-on', $file);

        return view('requirements.of-file', ['file' => $file->load('kits'), 'shelf' => KitShelf::for(User::signedIn($request))]);
    }

    public function tryOn(DealFile $file, string $key): View
    {
        Gate::authorize('work-on', $file);
        $kit = KitShelf::get($key, StoredKit::query()->where('key', $key)->value('version') ?? 0);
        $file->load(['office', 'knownFacts', 'parties', 'papers', 'kits']);

        return view('requirements.try-on', [
            'file' => $file,
            'kit' => $kit,
            'sheet' => Preview::kit($file, $kit),
            'held' => $file->kits->contains('kit', $key),
        ]);
    }

    public function apply(DealFile $file, string $key, ApplyKit $apply): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        if (! $file->status->isOpen()) {
            throw KitRefusal::FileHasEnded->because(status: $file->status->readable());
        }
        $apply->byHand($file, $key, (int) (StoredKit::query()->where('key', $key)->value('version') ?? 0));

        return to_route('files.show', $file)->with('told', 'Kit applied. What was already there stayed.');
    }

    /** @return list<array<string, mixed>> the kit's papers, with other conditions for one of them */
    private function itemWith(Kit $kit, Request $request): array
    {
        $items = array_map(static fn (KitItem $item) => $item->toArray(), $kit->items);
        $place = $request->integer('place');
        isset($items[$place]) || throw KitRefusal::NoSuchItem->because();
        $items[$place]['when'] = GivenConditions::from($request);

        return $items;
    }

    /** @return list<array<string, mixed>> the editor's lines that are not empty, with whole numbers as such */
    private function lines(Request $request): array
    {
        $lines = [];
        foreach ((array) $request->input('lines', []) as $line) {
            if (
                ! is_array($line) ||
                implode(
                    '',
                    array_filter(
                        $line,
                        static fn ($value, $name) => is_string($value) && in_array($name, ['title', 'form', 'name', 'label'], true),
                        ARRAY_FILTER_USE_BOTH,
                    ),
                ) === ''
            ) {
                continue;
            }
            isset($line['days']) && is_numeric($line['days']) && ($line['days'] = (int) $line['days']);
            array_key_exists('required_asked', $line) && ($line['required'] = isset($line['required']));
            if (isset($line['kept']) && is_string($line['kept'])) {
                $kept = json_decode($line['kept'], true);
                $line = [...is_array($kept) ? $kept : [], ...$line];
            }
            if (($line['form'] ?? '') === KitItem::ACTION && ($line['title'] ?? '') === '') {
                continue;
            }
            isset($line['due']) && is_string($line['due']) &&
                ($line['due'] = ['anchor' => $line['due'], 'days' => trim((string) ($line['due_days'] ?? '')) ?: 0]);
            if (($line['form'] ?? '') !== '' && ($line['title'] ?? '') === '') {
                $line['title'] = app(Library::class)->form((string) $line['form'])->title;
            }
            $lines[] = $line;
        }
        usort($lines, static fn (array $a, array $b) => (int) ($a['at'] ?? 0) <=> (int) ($b['at'] ?? 0));

        return $lines;
    }

    /**
     * @param array<string, array<string, string>> $answers
     * @return array<string, array<string, string>>
     */
    private function answers(Request $request, array $answers): array
    {
        $number = $request->string('form')->toString();
        $form = app(Library::class)->form($number);
        $given = [];
        foreach ((array) $request->input('answers', []) as $blank => $typed) {
            $known = $form->blank((string) $blank);
            if ($known === null || ! is_string($typed) || trim($typed) === '') {
                continue;
            }
            try {
                $given[(string) $blank] =
                    $known->kind === Kind::Tick ? 'x' : $known->parse($typed, LocalDate::at(now(), new \DateTimeZone('UTC')));
            } catch (EntryUnreadable $unreadable) {
                throw StepRefused::unreadable($unreadable, 'The answers did not change.', $known->label);
            }
        }

        return array_filter([...$answers, $number => $given]);
    }
}
