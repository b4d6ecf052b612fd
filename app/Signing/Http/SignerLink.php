<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\Actor;
use App\Models\Sight;
use App\Models\Signer;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Lets a signer in on their link: the proof in it is checked, then that one file comes into sight and nothing else. */
final class SignerLink
{
    public function __construct(private readonly Actor $actor)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        $found = Signer::atLink((string) $request->route('token'));
        if ($found === null) {
            return response()->view('signing.no-link', [], 404);
        }
        Sight::ofFile((int) $found->brokerage_id, (int) $found->deal_file_id);
        $signer = Signer::query()
            ->with([
                'round.signers',
                'round.papers.paper',
                'round.marks',
                'round.events',
                'round.file.office',
                'round.sender',
                'round.sealedSet',
            ])
            ->findOrFail($found->signer_id);
        $this->actor->isFromOutside($signer->name);
        $request->attributes->set('signer', $signer);

        $before = app()->getLocale();
        app()->setLocale($signer->language->value);
        try {
            return $next($request);
        } finally {
            app()->setLocale($before);
        }
    }
}
