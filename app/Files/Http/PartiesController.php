<?php

declare(strict_types=1);

namespace App\Files\Http;

use App\Files\Actions\KeepContacts;
use App\Files\Actions\SetParty;
use App\Files\AddressBook;
use App\Files\Http\Requests\KeepContactRequest;
use App\Models\Contact;
use App\Models\DealFile;
use App\Models\Party;
use App\Models\Role;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Unanimus\Access\Permission;
use Unanimus\Exchange\Vcard;
use Unanimus\Files\PartyRefusal;
use Unanimus\Parties\PartyRole;

/** Parties in order, the address book, people as vCards in and out. */
final class PartiesController
{
    public function order(Request $request, DealFile $file, string $role, SetParty $setParty): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(['keys' => 'required|array|max:50', 'keys.*' => 'string|size:26']);
        $setParty->reorder($file, PartyRole::tryFrom($role) ?? abort(404), array_values($given['keys']));

        return to_route('files.opening', $file)->with(
            'told',
            'Order changed. The numbers follow on every paper that is still a draft.',
        );
    }

    public function ofFile(DealFile $file): Response
    {
        Gate::authorize('see', $file);

        return $this->cards(
            $file->parties
                ->sortBy(static fn (Party $party) => $party->seat()->order())
                ->map(
                    static fn (Party $party) => new Vcard(
                        $party->name,
                        $party->firm ?? '',
                        $party->email ?? '',
                        $party->phone ?? '',
                        $party->address ?? '',
                    ),
                )
                ->all(),
            $file->name,
        );
    }

    public function book(Request $request): View
    {
        $letters = trim((string) $request->query('letters', ''));
        $like = '%'.addcslashes($letters, '%_\\').'%';

        return view('files.contacts', [
            'contacts' => Contact::query()
                ->when(
                    $letters !== '',
                    static fn ($query) => $query->where(
                        static fn ($any) => $any->where('name', 'ilike', $like)->orWhere('firm', 'ilike', $like),
                    ),
                )
                ->orderByDesc('standing')
                ->orderBy('name')
                ->simplePaginate(80)
                ->withQueryString(),
            'letters' => $letters,
        ]);
    }

    public function propose(Request $request, AddressBook $book): View
    {
        $letters = (string) $request->query('name', '');

        return view('files.proposals', [
            'found' => mb_strlen(trim($letters)) < 2 ? collect() : $book->proposals($letters, (string) $request->query('role', '')),
        ]);
    }

    public function store(KeepContactRequest $request, KeepContacts $contacts): RedirectResponse
    {
        $user = User::signedIn($request);
        $given = $request->validated();
        $standing = (bool) ($given['standing'] ?? false);
        if ($standing && ! $user->may(Permission::KeepContacts)) {
            throw PartyRefusal::MayNotKeepContacts->because();
        }
        $contacts->keep(
            $user,
            [
                new Vcard(
                    $given['name'],
                    (string) ($given['firm'] ?? ''),
                    (string) ($given['email'] ?? ''),
                    (string) ($given['phone'] ?? ''),
                ),
            ],
            $given['role'],
            $standing,
        );

        return to_route('contacts.index')->with('told', "Saved {$given['name']}.");
    }

    public function import(Request $request, KeepContacts $contacts): RedirectResponse
    {
        $request->validate(
            ['cards' => 'required|file|max:4096'],
            ['cards.required' => 'Choose a vCard file.', 'cards.max' => 'This file is larger than 4 MB.'],
        );
        $upload = $request->file('cards');
        $upload instanceof UploadedFile || abort(422);
        $read = Vcard::read((string) file_get_contents($upload->getPathname()));
        if ($read->cards === []) {
            return back()->with(
                'refused',
                trim("{$upload->getClientOriginalName()} has no vCards we can read. {$read->told()} Nothing was changed."),
            );
        }
        $new = $contacts->keep(User::signedIn($request), $read->cards, 'other', false);

        return to_route('contacts.index')->with(
            'told',
            trim((count($read->cards) === 1 ? '1 contact' : count($read->cards).' contacts')." read, {$new} added. {$read->told()}"),
        );
    }

    public function export(): Response
    {
        return $this->cards(
            Contact::query()
                ->orderBy('name')
                ->limit(5000)
                ->get()
                ->map(
                    static fn (Contact $contact) => new Vcard(
                        $contact->name,
                        $contact->firm ?? '',
                        $contact->email ?? '',
                        $contact->phone ?? '',
                        $contact->address ?? '',
                    ),
                )
                ->all(),
            'Address book',
        );
    }

    public function drop(Request $request, Contact $contact, KeepContacts $contacts): RedirectResponse
    {
        $user = User::signedIn($request);
        $contact->user_id === $user->id || $user->holds(Role::Administrator) || $user->isBroker() || abort(403);
        $contacts->drop($contact);

        return to_route('contacts.index')->with('told', "Deleted {$contact->name} from the address book. Files keep them.");
    }

    /** @param  array<int, Vcard>  $cards */
    private function cards(array $cards, string $name): Response
    {
        $plain = trim((string) preg_replace('/[^A-Za-z0-9 ,._-]+/', '', $name)) ?: 'people';

        return new Response(Vcard::write(array_values($cards)), 200, [
            'Content-Type' => 'text/vcard; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"{$plain}.vcf\"",
            'Cache-Control' => 'private, no-store',
        ]);
    }
}
