<?php

declare(strict_types=1);

namespace App\Papers\Http;

use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Upload;
use App\Models\User;
use App\Papers\Actions\EntryMet;
use App\Papers\Actions\KeepPiece;
use App\Papers\Actions\KeepUntilNow;
use App\Papers\Actions\StoreEntry;
use App\Papers\Actions\TakeAnswers;
use App\Papers\Actions\TakeTerms;
use App\Papers\Actions\TakeUpload;
use App\Papers\Beside;
use App\Papers\PageStore;
use App\Papers\PaperCheck;
use App\Papers\PaperPrint;
use App\Papers\PaperText;
use App\Papers\PaperView;
use App\Papers\PdfAnswer;
use App\Papers\Presence;
use App\Storage\Bytes;
use App\Terms\FactBook;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Unanimus\Forms\CrossCheck;
use Unanimus\Forms\Filling;
use Unanimus\Forms\FormUnknown;
use Unanimus\Forms\Library;
use Unanimus\Intake\Converter;
use Unanimus\Pages\DiskFull;
use Unanimus\Pages\Scratch;
use Unanimus\Terms\EntryUnreadable;

/** Papers: filling on the page, looking at, bringing in, printing. */
final class PaperController
{
    public function show(Paper $paper, Bytes $bytes, TakeTerms $terms): View
    {
        $paper->load([
            'file.office',
            'file.knownFacts',
            'file.parties',
            'file.papers',
            'file.members',
            'values',
            'latest',
            'requirement.remarks',
        ]);
        Gate::authorize('see', $paper->file);
        $canFill = $paper->isDraft() && $paper->refusesChange() === null && Gate::allows('work-on', $paper->file);
        $facts = FactBook::of($paper->file);
        $drafts = $canFill ? PaperCheck::drafts($paper->file->load('papers.values'), $facts) : [];
        $findings = $canFill
            ? CrossCheck::of($drafts, $paper->file->office->today())[$paper->key] ?? []
            : PaperCheck::findings($paper, $facts);

        return view($canFill ? 'papers.fill' : 'papers.read', [
            'paper' => $paper,
            'file' => $paper->file,
            'view' => PaperView::of($paper),
            'findings' => $findings,
            'onward' => self::onward($paper, $drafts),
            'answers' => $canFill ? TakeAnswers::open($paper, $facts) : [],
            'besides' => $canFill ? Beside::choices($paper) : [],
            'pieces' => LayerController::of($paper),
            'says' => Gate::allows('work-on', $paper->file) && $paper->file->status->isOpen() ? $terms->proposed($paper) : [],
            'writes' => Gate::allows('work-on', $paper->file) && KeepPiece::refusal($paper) === null,
        ]);
    }

    /**
     * The next paper of the file that has blanks to fill, after this one and then from the first.
     *
     * @param array<string, array{title: string, filling: Filling}> $drafts
     * @return array{key: string, title: string, missing: int}|null
     */
    private static function onward(Paper $paper, array $drafts): ?array
    {
        $keys = array_keys($drafts);
        $at = (int) array_search($paper->key, $keys, true);
        foreach ([...array_slice($keys, $at + 1), ...array_slice($keys, 0, $at)] as $key) {
            $missing = count($drafts[$key]['filling']->missing());
            if ($missing > 0) {
                return ['key' => (string) $key, 'title' => $drafts[$key]['title'], 'missing' => $missing];
            }
        }

        return null;
    }

    /** What a paper from outside says of the deal, taken into the file. */
    public function takeTerms(Request $request, Paper $paper, TakeTerms $take): RedirectResponse
    {
        $paper->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers', 'file.members', 'file.kits', 'latest']);
        Gate::authorize('work-on', $paper->file);
        $names = $request->validate(
            ['take' => 'required|array|max:100', 'take.*' => 'string|max:60'],
            ['take.required' => 'Select at least one.'],
        )['take'];
        $count = $take($paper, array_values($names));

        return to_route('papers.show', $paper)->with('told', $count === 1 ? 'Taken into the file.' : "{$count} taken into the file.");
    }

    public function entry(Request $request, Paper $paper, StoreEntry $store, KeepUntilNow $untilNow): JsonResponse
    {
        $paper->loadMissing(['file.office', 'file.members']);
        Gate::authorize('work-on', $paper->file);
        $given = $request->validate([
            'blank' => 'required|string|max:60',
            'value' => 'present|nullable|string|max:8000',
            'key' => 'required|string|min:8|max:60|regex:/^[\w:-]+$/',
            'scope' => 'nullable|in:here,term,follow',
            'seen' => 'nullable|string|max:8000',
            'from' => 'nullable|string|max:160',
        ]);
        $scope = $given['scope'] ?? 'here';
        $facts = $scope === 'here' ? FactBook::of($paper->file) : null;
        try {
            $store(
                $paper,
                $given['blank'],
                (string) $given['value'],
                'web:'.$given['key'],
                $scope,
                array_key_exists('seen', $given) ? (string) $given['seen'] : null,
                $facts,
                $given['from'] ?? null,
            );
            $facts === null || $untilNow($paper, $given['blank'], 'web:'.$given['key'], $facts);
        } catch (EntryMet $met) {
            return new JsonResponse(['message' => $met->getMessage(), 'theirs' => $met->theirs, 'who' => $met->who], 409);
        } catch (EntryUnreadable $unreadable) {
            return new JsonResponse(['message' => $unreadable->getMessage()], 422);
        }
        // Only a changed term can change more than the values of this paper.
        $scope === 'term' && $paper->file->unsetRelation('knownFacts')->unsetRelation('papers');

        return new JsonResponse(
            PaperView::of($scope === 'here' ? $paper : $paper->load('values'), false, $facts)->changes($given['blank']),
        );
    }

    /** How a draft stands now, and who else has it open: asked again and again while it is on the screen. */
    public function standing(Request $request, Paper $paper): JsonResponse
    {
        $paper->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers', 'file.members', 'values']);
        Gate::authorize('work-on', $paper->file);
        abort_unless($paper->isDraft(), 409);
        $user = User::signedIn($request);

        return new JsonResponse([...PaperView::of($paper, false)->changes(''), 'here' => Presence::of($paper, $user)]);
    }

    public function image(Paper $paper, int $page, Bytes $bytes): Response
    {
        $form = $paper->form();
        if ($paper->isDraft() && $form !== null) {
            return PageStore::ofForm($form, $page);
        }
        $version = $paper->latest;
        abort_if($version === null || $page < 1 || $page > $version->pages, 404);

        return PageStore::send($bytes->path($version->sha256), $version->sha256, $version->first_page + $page - 1);
    }

    /** A page of a library form as it is printed, with nothing on it. */
    public function blankPage(Request $request, string $number, int $page, Library $library): Response
    {
        try {
            return PageStore::ofForm($library->form($number, (string) $request->query('rev', '') ?: null), $page);
        } catch (FormUnknown) {
            abort(404);
        }
    }

    public function pdf(Paper $paper, PaperPrint $print): Response
    {
        $paper->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers', 'values', 'latest']);

        return PdfAnswer::of($print->whole($paper), $paper->title);
    }

    /** A paper as running text, for whoever listens to it. */
    public function text(Paper $paper, PaperPrint $print): View
    {
        $paper->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers', 'values', 'latest']);
        Gate::authorize('see', $paper->file);
        $scratch = new Scratch();

        return view('papers.text', [
            'paper' => $paper,
            'file' => $paper->file,
            'pages' => PaperText::of($paper, $scratch->put('paper.pdf', $print->of($paper))),
        ]);
    }

    public function bring(Request $request, DealFile $file, TakeUpload $take): RedirectResponse|JsonResponse
    {
        Gate::authorize('work-on', $file);
        // A file that found no room on its way here says only that it did not arrive.
        DiskFull::in(sys_get_temp_dir()) && throw DiskFull::told();
        $most = Converter::LARGEST / 1024;
        $large = 'One of these is larger than 50 MB. Upload it as several parts. Nothing was uploaded.';
        $request->validate(
            [
                'pdf' => "required_without:papers|file|max:{$most}",
                'papers' => 'array|max:40',
                'papers.*' => "file|max:{$most}",
                'paper' => 'nullable|string|max:26',
                'key' => 'nullable|string|min:8|max:60',
            ],
            [
                'pdf.required_without' => 'Choose a file to upload.',
                'pdf.max' => 'This file is larger than 50 MB. Upload it as several parts.',
                'papers.*.max' => $large,
                'papers.*.uploaded' => $large,
            ],
        );
        $placeholder = $request->filled('paper')
            ? $file
                ->papers()
                ->where('key', $request->string('paper')->value())
                ->firstOrFail()
            : null;
        $told = $refused = [];
        foreach (
            array_values(
                array_filter(
                    [$request->file('pdf'), ...(array) $request->file('papers', [])],
                    static fn ($one) => $one instanceof UploadedFile,
                ),
            ) as $index => $one
        ) {
            $key = $request->filled('key') ? $request->string('key')->value().($index === 0 ? '' : ":{$index}") : (string) Str::ulid();
            $upload = $take($file, $one->getPathname(), $one->getClientOriginalName(), $key, User::signedIn($request), $placeholder);
            $upload->state === 'refused' ? ($refused[] = $upload->told) : ($told[] = $upload->told);
        }
        if ($request->expectsJson()) {
            return new JsonResponse(['told' => $told, 'refused' => $refused], $told === [] && $refused !== [] ? 422 : 200);
        }

        return to_route('files.show', $file)->with(array_filter(['told' => implode(' ', $told), 'refused' => implode(' ', $refused)]));
    }

    /** What has become of an upload whose answer was lost. */
    public function upload(DealFile $file, string $key): JsonResponse
    {
        Gate::authorize('work-on', $file);
        $upload = Upload::query()->where('deal_file_id', $file->id)->where('key', $key)->first();

        return new JsonResponse(
            $upload === null ? ['state' => 'unknown', 'told' => ''] : ['state' => $upload->state, 'told' => $upload->told],
        );
    }

    /** The uploads that are still being converted, and those just done. */
    public function uploads(Request $request, DealFile $file, TakeUpload $take): View
    {
        Gate::authorize('work-on', $file);
        $user = User::signedIn($request);
        $uploads = Upload::open($file, $user)->where('seen', false);
        $take->noteShown($uploads);

        return view('papers.uploads', ['file' => $file, 'uploads' => $uploads]);
    }

    public function letGo(Request $request, DealFile $file, string $key, TakeUpload $take): View|RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $user = User::signedIn($request);
        $take->letGo($file, $key, $user);

        return $request->hasHeader('HX-Request')
            ? view('papers.uploads', ['file' => $file, 'uploads' => Upload::open($file, $user)->where('seen', false)])
            : to_route('files.show', $file);
    }

    /** The file as it came, where what is shown is a copy of one that is signed: always as a download. */
    public function original(Paper $paper, string $version, Bytes $bytes): Response
    {
        $one = $paper->versions()->where('key', $version)->whereNotNull('original_sha256')->firstOrFail();

        return PdfAnswer::download($bytes->read((string) $one->original_sha256), "{$paper->title}, original");
    }
}
