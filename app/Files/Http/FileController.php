<?php

declare(strict_types=1);

namespace App\Files\Http;

use App\Exchange\ListingsFound;
use App\Files\Actions\BringListing;
use App\Files\Actions\MarkDeadline;
use App\Files\Actions\MoveDates;
use App\Files\Actions\OpenFile;
use App\Files\Actions\Practise;
use App\Files\Actions\SetFact;
use App\Files\Actions\SetParty;
use App\Files\Agenda;
use App\Files\Twins;
use App\Models\DealFile;
use App\Models\Party;
use App\Models\User;
use App\Terms\FactBook;
use App\Terms\FieldText;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Validator;
use Unanimus\Dates\DateRefusal;
use Unanimus\Exchange\ExchangeUnavailable;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Representation;
use Unanimus\Signing\Seat;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\Derived;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\Facts;
use Unanimus\Terms\NetSheet;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\Term;

/** Opening files; their terms, parties and deadlines. */
final class FileController
{
    public function create(): View
    {
        Gate::authorize('open-files');

        return view('files.opening', ['file' => null]);
    }

    public function store(Request $request, OpenFile $open, BringListing $bring, SetFact $setFact, SetParty $setParty): RedirectResponse
    {
        Gate::authorize('open-files');
        $given = $request->validate([
            'first' => 'nullable|string|max:200',
            'represents' => 'nullable|in:buyer,seller,both,tenant,landlord',
            'kind' => 'nullable|in:sale,lease,referral',
            'listing' => 'nullable|string|max:40',
        ]);
        $file = $open(
            User::signedIn($request),
            Representation::from($given['represents'] ?? Representation::Buyer->value),
            DealKind::from($given['kind'] ?? DealKind::Sale->value),
        );
        $first = trim($given['listing'] ?? ($given['first'] ?? ''));
        $told = null;
        if (preg_match('/^[A-Z]{2}-\d{2}-\d+$/i', $first) === 1) {
            try {
                $bring($file, strtoupper($first));
            } catch (ExchangeUnavailable|StepRefused $refused) {
                $told = $refused->getMessage();
            }
        } elseif (preg_match('/^\d+\S*\s+\S/', $first) === 1) {
            $setFact($file, 'property.street', $first);
        } elseif ($first !== '') {
            $setParty($file, Seat::at(PartyRole::from($file->represents->firstSide($file->kind)->value)), new PartyDetails(name: $first));
        }

        return to_route('files.opening', $file)->with('refused', $told);
    }

    /** A file with invented people, to try the job out. */
    public function practise(Request $request, Practise $practise): RedirectResponse
    {
        Gate::authorize('open-files');
        $given = $request->validate(['represents' => 'required|in:buyer,seller']);
        $file = $practise->begin(User::signedIn($request), Representation::from($given['represents']));

        return to_route('files.show', $file)->with('told', 'Try anything. Nothing leaves this file.');
    }

    public function letGo(DealFile $file, Practise $practise): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $practise->letGo($file);

        return to_route('today')->with('told', 'The practice file is gone.');
    }

    public function opening(DealFile $file): View
    {
        Gate::authorize('work-on', $file);

        return view('files.opening', $this->sheet($file));
    }

    public function setFact(Request $request, DealFile $file, SetFact $setFact): Response
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate([
            'name' => 'required|string|max:60',
            'value' => 'present|nullable|string|max:4000',
            'seen' => 'nullable|string|max:4000',
        ]);
        try {
            if ($request->header('HX-Request') !== null && MoveDates::isAskedFirst($file, $given['name'])) {
                $day = SetFact::read($file, $given['name'], (string) $given['value']);
                if ($day === '') {
                    throw DateRefusal::AnchorOfContract->because();
                }

                return $this->asked($file, $given['name'], $day, (string) $request->query('at'));
            }
            $setFact(
                $file,
                $given['name'],
                (string) $given['value'],
                seen: array_key_exists('seen', $given) ? (string) $given['seen'] : null,
            );
            $fault = null;
        } catch (EntryUnreadable|StepRefused $refused) {
            $fault = $refused->getMessage();
        }

        $item = Term::tryFrom($given['name']) ?? PropertyFact::tryFrom($given['name']);
        // An address typed in one line fills the fields beside it too.
        $items =
            $item === PropertyFact::Street
                ? [PropertyFact::Street, PropertyFact::Unit, PropertyFact::City, PropertyFact::State, PropertyFact::Zip]
                : array_filter([$item]);

        return $this->refreshed($file, $request, $given['name'], $fault, static function (Facts $facts) use ($items, $file): array {
            $shown = [];
            foreach ($items as $one) {
                $one->choices() === null && ($shown["fact-{$one->value}"] = FieldText::fact($one, $facts->get($one->value), $file));
            }

            return $shown;
        });
    }

    public function setParty(Request $request, DealFile $file, string $seat, SetParty $setParty): Response
    {
        Gate::authorize('work-on', $file);
        $check = Validator::make(
            $request->all(),
            [
                'name' => 'nullable|string|max:120',
                'signing_name' => 'nullable|string|max:120',
                'initials' => 'nullable|string|max:8',
                'email' => 'nullable|email|max:200',
                'phone' => 'nullable|string|max:40',
                'firm' => 'nullable|string|max:120',
                'address' => 'nullable|string|max:300',
                'kind' => 'nullable|in:person,entity,trust,estate',
                'signed_by' => 'nullable|string|max:120',
                'capacity' => 'nullable|string|max:160',
                'prints_contact' => 'nullable|boolean',
                'stood' => 'nullable|array|max:12',
                'stood.*' => 'nullable|string|max:300',
            ],
            ['email.email' => 'This is not an email address.'],
        );
        if ($check->fails()) {
            return $this->refreshed($file, $request, $seat, (string) $check->errors()->first(), static fn () => []);
        }
        $given = $check->validated();
        try {
            $setParty($file, Seat::of($seat), PartyDetails::ofFields($given), array_map(strval(...), $given['stood'] ?? []));
            $fault = null;
        } catch (\InvalidArgumentException|StepRefused $refused) {
            $fault = $refused->getMessage();
        }

        return $this->refreshed($file, $request, $seat, $fault, static function () use ($file, $seat): array {
            $party = $file->parties->first(static fn (Party $party) => (string) $party->seat() === $seat);

            return [
                "{$seat}-name" => $party->name ?? '',
                "{$seat}-signs" => $party->signing_name ?? '',
                "{$seat}-initials" => $party->initials ?? '',
                "{$seat}-email" => $party->email ?? '',
            ];
        });
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

        return to_route('files.listing', $file)->with(
            'told',
            'Listing imported. Each value says where it came from. What was already in the file did not change.',
        );
    }

    public function listings(Request $request, ListingsFound $found): View
    {
        Gate::authorize('open-files');

        $first = trim((string) $request->query('first', ''));

        return view('files.listings', [
            'found' => $first === '' ? $found->own(User::signedIn($request)->name) : $found($first),
            'own' => $first === '',
        ]);
    }

    public function deadline(Request $request, DealFile $file, string $name, MarkDeadline $mark): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $mark($file->load(['knownFacts', 'office', 'kits']), $name, $request->boolean('done', true));

        return back();
    }

    /** A contract date is not moved by typing alone: what would shift is shown first, and why is asked. */
    private function asked(DealFile $file, string $name, string $day, string $at): Response
    {
        return response('', 200)
            ->header('HX-Reswap', 'none')
            ->header(
                'HX-Trigger',
                json_encode(
                    [
                        'shift' => [
                            'url' => "/files/{$file->key}/shift?".http_build_query(['anchor' => $name, 'day' => $day, 'at' => $at]),
                        ],
                    ],
                    JSON_THROW_ON_ERROR,
                ),
            );
    }

    /**
     * What follows from a change, beside the fields; the fields themselves stay where they are, so that nothing that is
     * being typed is ever swapped away. How they now stand goes along in the answer's head.
     *
     * @param callable(Facts): array<string, string> $fields by the id of each field
     */
    private function refreshed(DealFile $file, Request $request, string $about, ?string $fault, callable $fields): Response
    {
        if ($request->header('HX-Request') === null) {
            $fault === null || $request->session()->flash('refused', $fault);

            return new Response('', 303, ['Location' => url()->previous()]);
        }
        $sheet = $this->sheet($file->refresh()->unsetRelations());
        $stored = [
            'about' => $about,
            'fault' => $fault === null ? null : "{$fault} It is not saved.",
            'fields' => $fields($sheet['facts']),
        ];

        if ($request->query('at') === 'net') {
            return response()
                ->view('files.net-follows', ['sheet' => NetSheet::of($sheet['facts'])])
                ->header('HX-Trigger', json_encode(['stored' => $stored], JSON_THROW_ON_ERROR));
        }

        return response()
            ->view($request->query('at') === 'file' ? 'files.flap-changed' : 'files.opening-follows', [
                ...$sheet,
                'line' => $sheet['agenda']->line(),
            ])
            ->header('HX-Trigger', json_encode(['stored' => $stored], JSON_THROW_ON_ERROR));
    }

    /** @return array<string, mixed> */
    private function sheet(DealFile $file): array
    {
        $file->load(['office', 'knownFacts', 'parties', 'papers.values', 'requirements', 'members', 'kits']);
        $facts = FactBook::of($file);

        return [
            'file' => $file,
            'facts' => $facts,
            'agenda' => ($agenda = Agenda::of($file)),
            'twins' => Twins::of($file, self::me()),
            'contradictions' => [...Derived::contradictions($facts, $agenda->today), ...$agenda->clashes($file)],
        ];
    }

    private static function me(): User
    {
        $user = Auth::user();

        return $user instanceof User ? $user : abort(403);
    }
}
