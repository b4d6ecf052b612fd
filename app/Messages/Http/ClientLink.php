<?php

declare(strict_types=1);

namespace App\Messages\Http;

use App\Models\Actor;
use App\Models\ClientPage;
use App\Models\Sight;
use App\Terms\ChooseLanguage;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Lets a client in on their own page: the proof in the link is checked, then that one file comes into sight. */
final class ClientLink
{
    public function __construct(private readonly Actor $actor)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        $found = ClientPage::atLink((string) $request->route('token'));
        if ($found === null) {
            return response()->view('messages.client-over', ['page' => null], 404);
        }
        Sight::ofFile((int) $found->brokerage_id, (int) $found->deal_file_id);
        $page = ClientPage::query()
            ->with(['file.office', 'file.knownFacts', 'file.kits', 'party.contact', 'agent'])
            ->findOrFail($found->id);
        $this->actor->isFromOutside($page->party->name);
        $request->attributes->set('client-page', $page);

        return ChooseLanguage::speaking($page->language, static fn (): Response => $page->is_on
            ? $next($request)
            : response()->view('messages.client-over', ['page' => $page], 410));
    }

    public static function page(Request $request): ClientPage
    {
        $page = $request->attributes->get('client-page');

        return $page instanceof ClientPage ? $page : abort(404);
    }
}
