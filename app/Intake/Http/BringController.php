<?php

declare(strict_types=1);

namespace App\Intake\Http;

use App\Intake\Actions\AskForPapers;
use App\Intake\Actions\TakeBrought;
use App\Models\DealFile;
use App\Models\PaperRequest;
use App\Models\Party;
use App\Models\User;
use App\Terms\ChooseLanguage;
use App\Terms\ClientWords;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\PaperState;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\BroughtKind;
use Unanimus\Intake\Photos;
use Unanimus\Parties\Language;

/** Papers that somebody without an account is asked for: asked, reminded, ended; and their own page, on which they bring them. */
final class BringController
{
    /** Days for which the link is open unless another last day is written. */
    private const DAYS = 10;

    public function begin(Request $request, DealFile $file): View
    {
        Gate::authorize('work-on', $file);
        $keys = (array) $request->input('papers', []);

        return view('intake.ask', [
            'file' => $file->load(['office', 'parties.contact']),
            'chosen' => $keys,
            'papers' => $file->papers()->where('state', PaperState::Expected)->orderBy('position')->orderBy('id')->get(),
            'people' => $file->parties->filter(static fn (Party $party) => $party->user_id === null && $party->name !== '')->values(),
            'until' => $file->office->today()->plusDays(self::DAYS),
            'asked' => PaperRequest::query()->with('asked')->where('deal_file_id', $file->id)->orderByDesc('id')->limit(30)->get(),
        ]);
    }

    public function store(Request $request, DealFile $file, AskForPapers $ask): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(
            [
                'papers' => 'nullable|array|max:60',
                'papers.*' => 'string|max:26',
                'others' => 'nullable|string|max:2000',
                'name' => 'nullable|string|max:120',
                'email' => 'nullable|email:rfc|max:200',
                'language' => 'nullable|string|in:'.implode(',', array_column(Language::cases(), 'value')),
                'last_day' => 'required|string|max:40',
                'message' => 'nullable|string|max:2000',
            ],
            ['email.email' => 'This is not an email address.', 'last_day.required' => 'Enter the last day.'],
        );
        $file->load(['office', 'members']);
        $papers = $file->papers()->where('state', PaperState::Expected)->whereIn('key', $given['papers'] ?? [])->orderBy('position')->get();
        $asking = $ask->ask(
            $file,
            array_values($papers->all()),
            preg_split('/\R/u', (string) ($given['others'] ?? '')) ?: [],
            (string) ($given['name'] ?? ''),
            (string) ($given['email'] ?? ''),
            LocalDate::parse($given['last_day'], $file->office->today()),
            (string) ($given['message'] ?? ''),
            User::signedIn($request),
            Language::from($given['language'] ?? Language::English->value),
        );

        return to_route('files.ask-for', $file)->with(
            'told',
            $asking->email === '' ? "Share the link below with {$asking->name}." : "{$asking->name} has an email with the link.",
        );
    }

    public function remind(PaperRequest $asking, AskForPapers $ask): RedirectResponse
    {
        Gate::authorize('work-on', $asking->file);
        $ask->remind($asking);

        return back()->with('told', "{$asking->name} was reminded.");
    }

    public function end(PaperRequest $asking, AskForPapers $ask): RedirectResponse
    {
        Gate::authorize('work-on', $asking->file);
        $ask->end($asking);

        return back()->with('told', "{$asking->name} can no longer bring papers by that link.");
    }

    /** Their page. */
    public function show(Request $request, string $token): View
    {
        return view('intake.bring', ['asking' => BringLink::asking($request), 'token' => $token]);
    }

    /** A person has moved, touched or typed on the page. */
    public function opened(Request $request): Response
    {
        $asking = BringLink::asking($request);
        app(AskForPapers::class)->noteOpened($asking);

        return new Response('', 204);
    }

    public function language(Request $request, string $token, ChooseLanguage $choose): RedirectResponse
    {
        $choose(BringLink::asking($request), ChooseLanguage::asked($request));

        return to_route('bring', $token);
    }

    /** What they bring: one file, or several photos that become the pages of one paper. */
    public function bring(Request $request, string $token, Photos $photos, TakeBrought $take): JsonResponse|RedirectResponse
    {
        $asking = BringLink::asking($request);
        $given = $request->validate(['asked' => 'nullable|string|max:26', 'once' => 'required|string|min:8|max:60']);
        $files = array_values(array_filter((array) $request->file('papers', []), static fn ($one) => $one instanceof UploadedFile));
        $told = '';
        $one = null;
        if ($files === [] || count($files) > 40 || array_filter($files, static fn (UploadedFile $file) => ! $file->isValid()) !== []) {
            $told = (string) __('client.bring.not_here');
        } else {
            try {
                $paths = array_map(static fn (UploadedFile $file) => $file->getPathname(), $files);
                BroughtKind::of($paths[0])?->isSlow() !== true || throw new BringRefused((string) __('client.bring.as_pdf'));
                $brought = count($paths) === 1 ? $photos->photo($paths[0]) : $photos->photos($paths);
                $name = $files[0]->getClientOriginalName();
                $one = $take($asking, (string) ($given['asked'] ?? ''), $brought, $name, $given['once']);
            } catch (BringRefused $refused) {
                $told = ClientWords::of($refused->getMessage(), 'client.bring.refused');
            }
        }
        if ($request->expectsJson()) {
            return new JsonResponse(
                $one === null ? ['message' => $told] : ['name' => collect($one->brought)->last()['name'] ?? ''],
                $one === null ? 422 : 200,
            );
        }

        return $one === null
            ? to_route('bring', $token)->with('refused', $told)
            : to_route('bring', $token)->with('told', (string) __('client.bring.here'));
    }
}
