<?php

declare(strict_types=1);

namespace App\Files\Http;

use App\Access\User;
use App\Exchange\ListingsFound;
use App\Files\Actions\BringListing;
use App\Files\Actions\CloseFile;
use App\Files\Actions\MarkDeadline;
use App\Files\Actions\OpenFile;
use App\Files\Actions\SetFact;
use App\Files\Actions\SetParty;
use App\Files\Agenda;
use App\Files\Board;
use App\Files\FactBook;
use App\Files\Models\DealFile;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\View\View;
use Unanimus\Exchange\ExchangeUnavailable;
use Unanimus\Files\DealStatus;
use Unanimus\Files\FileName;
use Unanimus\Files\StepRefused;
use Unanimus\Forms\EntryUnreadable;
use Unanimus\Signing\Seat;
use Unanimus\Terms\Derived;

/** Files: opening, the file page, terms, parties, status. */
final class FileController
{
    public function index(Request $request): View
    {
        $wanted = trim((string) $request->query('q', ''));
        $files = DealFile::query()->with(['office', 'knownFacts'])
            ->when($wanted !== '', static fn ($query) => $query->where(static function ($any) use ($wanted): void {
                foreach (array_slice(preg_split('/\s+/', $wanted) ?: [], 0, 6) as $word) {
                    $like = '%'.addcslashes($word, '%_\\').'%';
                    $any->where(static fn ($one) => $one->where('name', 'ilike', $like)->orWhere('listing_number', 'ilike', $like)
                        ->orWhereHas('parties', static fn ($parties) => $parties->where('name', 'ilike', $like)));
                }
            }))
            ->when($wanted === '' && $request->query('show') !== 'all', static fn ($query) => $query->whereIn('status', ['preparing', 'active', 'under_contract']))
            ->orderByDesc('id')->cursorPaginate(60)->withQueryString();

        return view('files.index', ['files' => $files, 'wanted' => $wanted]);
    }

    public function create(): View
    {
        Gate::authorize('open-files');

        return view('files.opening', ['file' => null]);
    }

    public function store(Request $request, OpenFile $open, BringListing $bring, SetFact $setFact, SetParty $setParty): RedirectResponse
    {
        Gate::authorize('open-files');
        $given = $request->validate(['first' => 'nullable|string|max:200', 'side' => 'nullable|in:buyer,seller,both', 'listing' => 'nullable|string|max:40']);
        $file = $open($this->user($request), $given['side'] ?? 'buyer');
        $first = trim($given['listing'] ?? $given['first'] ?? '');
        $told = null;
        if (preg_match('/^[A-Z]{2}-\d{2}-\d+$/i', $first) === 1) {
            try {
                $bring($file, strtoupper($first));
            } catch (ExchangeUnavailable|StepRefused $refused) {
                $told = $refused->getMessage();
            }
        } elseif (preg_match('/^\d+\s+\S/', $first) === 1) {
            $setFact($file, 'property.street', $first);
        } elseif ($first !== '') {
            $setParty($file, Seat::of('buyer.1'), ['name' => $first]);
        }

        return redirect("/files/{$file->key}/opening")->with('refused', $told);
    }

    public function opening(DealFile $file): View
    {
        Gate::authorize('work-on', $file);

        return view('files.opening', $this->sheet($file));
    }

    public function show(DealFile $file): View
    {
        Gate::authorize('see', $file);
        $file->load(['office', 'knownFacts', 'parties', 'papers.values', 'papers.latest', 'requirements.remarks', 'rounds.papers', 'rounds.signers', 'rounds.marks', 'commission', 'members']);
        $facts = FactBook::of($file);

        return view('files.show', [
            'file' => $file, 'facts' => $facts, 'agenda' => $agenda = Agenda::of($file), 'line' => $agenda->line(), 'board' => Board::of($file, $facts), 'whole' => $file->completeness(),
            'contradictions' => Derived::contradictions($facts), 'history' => DB::table('history')->where('deal_file_id', $file->id)->orderByDesc('seq')->limit(60)->get(),
        ]);
    }

    public function setFact(Request $request, DealFile $file, SetFact $setFact): Response
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(['name' => 'required|string|max:60', 'value' => 'present|nullable|string|max:4000']);
        try {
            $setFact($file, $given['name'], (string) $given['value']);
            $fault = null;
        } catch (EntryUnreadable|StepRefused $refused) {
            $fault = $refused->getMessage();
        }

        return $this->refreshed($file, $request, $fault === null ? [] : [$given['name'] => $fault]);
    }

    public function setParty(Request $request, DealFile $file, string $seat, SetParty $setParty): Response
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate([
            'name' => 'nullable|string|max:120', 'signing_name' => 'nullable|string|max:120', 'initials' => 'nullable|string|max:8',
            'email' => 'nullable|email|max:200', 'phone' => 'nullable|string|max:40', 'firm' => 'nullable|string|max:120',
        ], ['email.email' => 'This is not a mail address; it was not stored. The rest of the line was kept as it was.']);
        try {
            $setParty($file, Seat::of($seat), ['name' => (string) ($given['name'] ?? ''), ...$given]);
            $fault = null;
        } catch (\InvalidArgumentException|StepRefused $refused) {
            $fault = $refused->getMessage();
        }

        return $this->refreshed($file, $request, $fault === null ? [] : [$seat => $fault]);
    }

    public function bringListing(Request $request, DealFile $file, BringListing $bring): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(['number' => 'required|string|max:40']);
        try {
            $bring($file, $given['number']);
        } catch (ExchangeUnavailable $unavailable) {
            return back()->withInput()->with('refused', $unavailable->getMessage());
        }

        return redirect("/files/{$file->key}/opening")->with('told', 'Brought in. Each entry says where it came from.');
    }

    public function listings(Request $request, ListingsFound $found): View
    {
        Gate::authorize('open-files');

        return view('files.listings', ['found' => $found((string) $request->query('first', ''))]);
    }

    public function deadline(DealFile $file, string $name, MarkDeadline $mark): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $mark($file->load(['knownFacts', 'office']), $name);

        return redirect("/files/{$file->key}");
    }

    public function close(DealFile $file, CloseFile $close): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $close->close($file);

        return redirect("/files/{$file->key}")->with('told', 'The file is closed.');
    }

    public function end(Request $request, DealFile $file, CloseFile $close): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(['status' => 'required|in:terminated,withdrawn,expired', 'reason' => 'required|string|max:500']);
        $close->end($file, DealStatus::from($given['status']), $given['reason']);

        return redirect("/files/{$file->key}")->with('told', 'The file has ended; everything in it is kept.');
    }

    /** @param  array<string, string>  $faults */
    private function refreshed(DealFile $file, Request $request, array $faults): Response
    {
        if ($request->header('HX-Request') === null) {
            $back = redirect()->back();

            return new Response('', 303, ['Location' => $faults === [] ? $back->getTargetUrl() : $back->with('refused', implode(' ', $faults))->getTargetUrl()]);
        }
        $file->refresh()->unsetRelations();

        return response()->view($request->query('at') === 'file' ? 'files.flap' : 'files.opening-body', [...$this->sheet($file), 'faults' => $faults, 'typed' => $request->input('value')]);
    }

    /** @return array<string, mixed> */
    private function sheet(DealFile $file): array
    {
        $file->load(['office', 'knownFacts', 'parties', 'papers.values', 'requirements', 'members']);
        $facts = FactBook::of($file);

        return ['file' => $file, 'facts' => $facts, 'agenda' => Agenda::of($file), 'contradictions' => Derived::contradictions($facts), 'named' => FileName::from($facts) !== 'New file', 'faults' => [], 'typed' => null];
    }

    private function user(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : abort(403);
    }
}
