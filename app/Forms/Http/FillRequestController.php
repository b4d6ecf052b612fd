<?php

declare(strict_types=1);

namespace App\Forms\Http;

use App\Forms\Actions\KeepFillRequest;
use App\Forms\Http\Requests\AskToFillRequest;
use App\Models\DealFile;
use App\Models\FillRequest;
use App\Models\Paper;
use App\Models\Party;
use App\Models\User;
use App\Terms\FactBook;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\PaperState;
use Unanimus\Files\PartyRefusal;
use Unanimus\Forms\Afterwards;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Questions;
use Unanimus\Parties\Language;
use Unanimus\Parties\PartyRole;
use Unanimus\Steps\StepRefused;

/** Asking clients to fill their part, and watching it. */
final class FillRequestController
{
    public function index(Request $request, DealFile $file): View
    {
        Gate::authorize('work-on', $file);
        $file->load(['office', 'knownFacts', 'parties.contact', 'papers.values', 'members']);
        $facts = FactBook::of($file);
        $drafts = $file->papers
            ->filter(static fn (Paper $paper) => $paper->isDraft() && $paper->state === PaperState::Draft)
            ->map(
                static fn (Paper $paper) => [
                    'paper' => $paper,
                    'filling' => ($filling = Filling::of(
                        $paper->form() ?? throw new \LogicException('A draft has a form.'),
                        $paper->entries(),
                        $facts,
                    )),
                    'open' => Questions::open($filling),
                    'by' => $paper->form()->answeredBy(),
                ],
            )
            ->values();
        $requests = FillRequest::query()
            ->with(['papers', 'asker'])
            ->where('deal_file_id', $file->id)
            ->orderByDesc('id')
            ->get()
            ->each(static fn (FillRequest $one) => $one->setRelation('file', $file));

        return view('forms.requests', [
            'file' => $file,
            'drafts' => $drafts,
            'requests' => $requests,
            'clients' => $file->parties
                ->filter(static fn (Party $party) => $party->role->isClient() || $party->role === PartyRole::Other)
                ->sortBy(static fn (Party $party) => $party->seat()->order()),
            'chosen' => $chosen = (array) $request->query('papers', []),
            // Whose blanks they are is asked, unless the person says otherwise.
            'roles' => $drafts->whereIn('paper.key', $chosen)->pluck('by')->filter()->unique()->values()->all(),
            'today' => $file->office->today(),
        ]);
    }

    public function store(AskToFillRequest $request, DealFile $file, KeepFillRequest $keep): RedirectResponse
    {
        $given = $request->validated();
        $file->load(['office', 'knownFacts', 'parties.contact', 'papers.values', 'members']);
        $clients = [];
        foreach ($given['to'] as $seat) {
            $party =
                $file->parties->first(static fn ($one) => (string) $one->seat() === $seat) ??
                throw PartyRefusal::NotInFile->because();
            $email = trim((string) ($given['reach'][str_replace('.', '_', $seat)] ?? '')) ?: (string) $party->email;
            if ($email === '') {
                throw PartyRefusal::NoAddress->because(name: $party->name);
            }
            $language = Language::tryFrom((string) ($given['languages'][str_replace('.', '_', $seat)] ?? '')) ?? $party->language;
            $clients[] = ['party' => $party, 'email' => $email, 'language' => $language];
        }
        $papers = $file->papers->whereIn('key', $given['papers'])->sortBy('position')->values()->all();
        $blanks = array_intersect_key($given['some'] ?? [], array_flip($given['papers']));
        $requests = $keep->ask(
            $file,
            $clients,
            array_values($papers),
            $blanks,
            $this->day($file, $given['last_day']),
            (string) ($given['message'] ?? ''),
            User::signedIn($request),
            Afterwards::tryFrom((string) ($given['afterwards'] ?? '')) ?? Afterwards::Nothing,
        );

        return to_route('files.fill-requests', $file)->with(
            'told',
            count($requests) === 1
                ? "Request sent to {$requests[0]->name}."
                : count($requests).' people were asked, each with their own email.',
        )->with(array_filter(['refused' => $this->notTheirs($papers, $clients)]));
    }

    /**
     * Says of papers that somebody else usually fills in whose they are; they were asked all the same.
     *
     * @param array<int, Paper> $papers
     * @param list<array{party: Party, email: string, language: Language}> $clients
     */
    private function notTheirs(array $papers, array $clients): string
    {
        $roles = array_unique(array_map(static fn (array $one) => $one['party']->role->value, $clients));
        $others = array_filter($papers, static fn (Paper $paper) => ! in_array($paper->form()?->answeredBy() ?? $roles[0], $roles, true));
        $told = array_map(static fn (Paper $paper) => "“{$paper->title}” is usually the {$paper->form()?->answeredBy()}’s to ".
            'fill in.', $others);

        return $told === [] ? '' : implode(' ', $told).' Withdraw the request if you meant someone else.';
    }

    public function remind(Request $request, FillRequest $fill, KeepFillRequest $keep): RedirectResponse
    {
        $keep->remind($this->mine($fill));

        return back()->with('told', "Reminder sent to {$fill->name}.");
    }

    public function seen(FillRequest $fill, KeepFillRequest $keep): RedirectResponse
    {
        $keep->putAway($this->mine($fill));

        return back();
    }

    public function takeBack(FillRequest $fill, KeepFillRequest $keep): RedirectResponse
    {
        $keep->takeBack($this->mine($fill));

        return back()->with('told', 'Request withdrawn. What was entered stays in the papers.');
    }

    public function renew(Request $request, FillRequest $fill, KeepFillRequest $keep): RedirectResponse
    {
        $request->validate(['last_day' => 'required|string|max:40']);
        $keep->renew($this->mine($fill), $this->day($fill->file, (string) $request->input('last_day')));

        return back()->with('told', "New link sent to {$fill->name}. The old one no longer works.");
    }

    private function mine(FillRequest $fill): FillRequest
    {
        Gate::authorize('work-on', $fill->load(['file.office', 'file.members', 'asker'])->file);

        return $fill;
    }

    private function day(DealFile $file, string $typed): LocalDate
    {
        try {
            return LocalDate::parse($typed, $file->office->today());
        } catch (DateUnreadable $unreadable) {
            throw StepRefused::unreadable($unreadable);
        }
    }
}
