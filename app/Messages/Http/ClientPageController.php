<?php

declare(strict_types=1);

namespace App\Messages\Http;

use App\Messages\Actions\KeepClientPage;
use App\Messages\ClientSight;
use App\Models\ClientPage;
use App\Models\DealFile;
use App\Models\Party;
use App\Models\Round;
use App\Models\User;
use App\Papers\PdfAnswer;
use App\Storage\Bytes;
use App\Terms\ChooseLanguage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Unanimus\Messages\ClientView;
use Unanimus\Parties\Side;

/** Clients' own pages: turned on and off in a file; and the page itself, by its link. */
final class ClientPageController
{
    public function index(DealFile $file): View
    {
        Gate::authorize('work-on', $file);
        $file->load(['office', 'parties.contact']);
        $own = static fn (Party $party) => ClientView::isFor($party->role, $file->represents, $file->kind) &&
            $file->isOwnAffair(Side::tryFrom($party->role->value));

        return view('messages.clients', [
            'file' => $file,
            'clients' => $file->parties->filter($own)->values(),
            'pages' => ClientPage::query()->where('deal_file_id', $file->id)->get()->keyBy('party_id'),
        ]);
    }

    public function turn(Request $request, DealFile $file, Party $party, KeepClientPage $keep): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        abort_unless($party->deal_file_id === $file->id && $file->isOwnAffair(Side::tryFrom($party->role->value)), 404);
        $given = $request->validate(['do' => 'required|in:on,send,off']);
        if ($given['do'] === 'off') {
            $page = ClientPage::query()->where('party_id', $party->id)->first();
            $page === null || $keep->off($page);

            return to_route('clients', $file)->with('told', "{$party->name} no longer has a page. The old link does not open.");
        }
        $keep->on($file, $party, User::signedIn($request), $given['do'] === 'send');

        return to_route('clients', $file)->with(
            'told',
            $given['do'] === 'send' ? "{$party->name} has an email with the link." : "Share the link below with {$party->name}.",
        );
    }

    public function show(Request $request, string $token): View
    {
        $page = ClientLink::page($request);

        return view('messages.client', ['page' => $page, 'token' => $token, 'sight' => ClientSight::of($page)]);
    }

    /** A person has moved, touched or typed on the page. */
    public function opened(Request $request): Response
    {
        $page = ClientLink::page($request);
        $page->noteOpened();

        return new Response('', 204);
    }

    public function language(Request $request, string $token, ChooseLanguage $choose): RedirectResponse
    {
        $choose(ClientLink::page($request), ChooseLanguage::asked($request));

        return to_route('client', $token);
    }

    /** What they signed, sealed. */
    public function signed(Request $request, string $token, string $round, Bytes $bytes): Response
    {
        $found = array_values(array_filter(
            ClientSight::signed(ClientLink::page($request)),
            static fn (Round $one) => $one->key === $round,
        ));
        $set = ($found[0] ?? abort(404))->sealedSet ?? abort(404);

        return PdfAnswer::of($bytes->read($set->sha256), "Signed {$found[0]->title}");
    }
}
