<?php

declare(strict_types=1);

namespace App\Forms\Http;

use App\Forms\Actions\KeepOwnForm;
use App\Forms\Actions\TryOwnForm;
use App\Forms\OwnShelf;
use App\Models\DealFile;
use App\Models\OwnForm;
use App\Models\User;
use App\Papers\PageStore;
use App\Papers\PdfAnswer;
use App\Storage\Bytes;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Unanimus\Forms\Bindings;
use Unanimus\Forms\DraftFault;
use Unanimus\Forms\DraftRefused;
use Unanimus\Forms\FormRefusal;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\Converter;
use Unanimus\Steps\StepRefused;

/** Making forms of the brokerage’s own out of PDFs. */
final class OwnFormController
{
    public function index(): View
    {
        Gate::authorize('make-forms');
        $all = OwnForm::query()->whereNot('status', 'dropped')->orderBy('number')->orderByDesc('id')->get();

        return view('forms.own.index', [
            'making' => $all->where('status', 'making'),
            'inForce' => $all->whereIn('status', ['in_force', 'retired']),
            'earlier' => $all->where('status', 'superseded')->groupBy('number'),
        ]);
    }

    public function store(Request $request, KeepOwnForm $keep): RedirectResponse
    {
        Gate::authorize('make-forms');
        $upload = $this->upload($request) ?? throw FormRefusal::NoPdf->because();
        try {
            $own = $keep->begin(User::signedIn($request), $upload->getPathname(), $upload->getClientOriginalName());
        } catch (BringRefused $refused) {
            return back()->with('refused', "{$upload->getClientOriginalName()}: {$refused->getMessage()} No form was started.");
        }

        return to_route('own-forms.show', $own)->with('told', trim('Form started. '.implode(' ', $own->notes)));
    }

    public function show(OwnForm $own): View
    {
        Gate::authorize('make-forms');

        return view('forms.own.show', ['own' => $own, 'faults' => self::faults($own), 'bindings' => Bindings::all()]);
    }

    public function change(Request $request, OwnForm $own, KeepOwnForm $keep): JsonResponse
    {
        Gate::authorize('make-forms');
        $given = $request->validate(['key' => 'required|string|min:8|max:60|regex:/^[\w:-]+$/', 'change' => 'required|array']);

        return self::standing($keep->change($own, $given['change'], $given['key'], User::signedIn($request)));
    }

    public function image(OwnForm $own, int $page, Bytes $bytes): Response
    {
        Gate::authorize('make-forms');
        abort_if($page < 1 || $page > count($own->pages), 404);

        return PageStore::send($bytes->path($own->sha256), $own->sha256, $page);
    }

    public function tryOn(Request $request, OwnForm $own, TryOwnForm $try): View
    {
        Gate::authorize('make-forms');
        $file = $request->filled('file')
            ? DealFile::query()
                ->with(['office', 'knownFacts', 'parties', 'papers'])
                ->where('key', (string) $request->query('file'))
                ->firstOrFail()
            : null;
        $file === null || Gate::authorize('see', $file);
        try {
            $filling = $try->fill($own, $file);
        } catch (DraftRefused $refused) {
            throw StepRefused::unreadable($refused);
        }

        return view('forms.own.try', [
            'own' => $own,
            'form' => OwnShelf::form($own),
            'filling' => $filling,
            'file' => $file,
            'files' => DealFile::query()
                ->whereIn('status', ['preparing', 'active', 'under_contract'])
                ->orderBy('name')
                ->limit(300)
                ->get(['id', 'key', 'name']),
        ]);
    }

    public function printTrial(Request $request, OwnForm $own, TryOwnForm $try): Response|RedirectResponse
    {
        Gate::authorize('make-forms');
        $given = $request->validate(['v' => 'array|max:1200', 'v.*' => 'nullable|string|max:4000']);
        try {
            [$pdf, $left] = $try->print($own, array_map(strval(...), $given['v'] ?? []));
        } catch (DraftRefused $refused) {
            throw StepRefused::unreadable($refused);
        }

        return $left === [] ? PdfAnswer::of($pdf, "{$own->title}, tryout") : back()->withInput()->with('refused', implode(' ', $left));
    }

    public function putInForce(OwnForm $own, KeepOwnForm $keep): RedirectResponse
    {
        Gate::authorize('put-forms-in-force');
        $own = $keep->putInForce($own);

        return to_route('own-forms.index')->with(
            'told',
            "{$own->number} {$own->title}, rev. {$own->revision}, is active. It is listed with the other forms. Papers on an earlier ".
                'revision keep theirs.',
        );
    }

    public function revise(Request $request, OwnForm $own, KeepOwnForm $keep): RedirectResponse
    {
        Gate::authorize('make-forms');
        $upload = $this->upload($request);
        try {
            $next = $keep->revise($own, User::signedIn($request), $upload?->getPathname(), $upload?->getClientOriginalName() ?? '');
        } catch (BringRefused $refused) {
            return back()->with('refused', "{$refused->getMessage()} No revision was started.");
        }

        return to_route('own-forms.show', $next)->with(
            'told',
            trim("This is the draft of the next revision of {$own->number}. ".implode(' ', $next->notes)),
        );
    }

    public function toggleRetired(OwnForm $own, KeepOwnForm $keep): RedirectResponse
    {
        Gate::authorize('put-forms-in-force');
        $own = $keep->toggleRetired($own);

        return to_route('own-forms.index')->with(
            'told',
            $own->status === 'retired'
                ? "{$own->number} is retired. You cannot start new papers on it. Existing papers stay."
                : "{$own->number} is active again.",
        );
    }

    public function drop(OwnForm $own, KeepOwnForm $keep): RedirectResponse
    {
        Gate::authorize('make-forms');
        $keep->drop($own);

        return to_route('own-forms.index')->with('told', "Draft “{$own->title}” discarded.");
    }

    private static function standing(OwnForm $own): JsonResponse
    {
        return new JsonResponse([
            'items' => $own->items,
            'faults' => self::faults($own),
            'about' => ['number' => $own->number, 'revision' => $own->revision, 'title' => $own->title, 'stage' => $own->stage],
        ]);
    }

    /** @return list<array{item: string, text: string, blocks: bool}> */
    private static function faults(OwnForm $own): array
    {
        return array_map(
            static fn (DraftFault $fault) => ['item' => $fault->item, 'text' => $fault->text, 'blocks' => $fault->blocks],
            $own->draft()->faults(),
        );
    }

    private function upload(Request $request): ?UploadedFile
    {
        $request->validate(['pdf' => 'nullable|file|max:'.Converter::LARGEST / 1024], ['pdf.max' => 'This file is larger than 50 MB.']);
        $upload = $request->file('pdf');

        return $upload instanceof UploadedFile ? $upload : null;
    }
}
