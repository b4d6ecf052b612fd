<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\Actor;
use App\Models\Sight;
use App\Models\Signer;
use App\Signing\InPerson;
use App\Terms\ChooseLanguage;
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

        return ChooseLanguage::speaking(
            $signer->language,
            fn (): Response => $this->isKnown($request, $signer) ? $next($request) : $this->askForCode($request, $signer),
        );
    }

    /** Who came in on the link. */
    public static function signer(Request $request): Signer
    {
        $signer = $request->attributes->get('signer');

        return $signer instanceof Signer ? $signer : abort(404);
    }

    /** Keeps for this session that the code was entered, until the sender sets another. */
    public static function remember(Request $request, Signer $signer): void
    {
        $request->session()->put("access-code.{$signer->key}", hash('sha256', (string) $signer->code));
    }

    /** Whether no code is asked for, it was entered in this session, or whoever handed the device over saw who it is. */
    private function isKnown(Request $request, Signer $signer): bool
    {
        return $signer->code === null ||
            $request->session()->get("access-code.{$signer->key}") === hash('sha256', $signer->code) ||
            (new InPerson($request->session()))->isGivenTo($signer) ||
            $request->routeIs('sign.code', 'sign.language');
    }

    private function askForCode(Request $request, Signer $signer): Response
    {
        return $request->routeIs('sign')
            ? response()->view('signing.code', ['signer' => $signer, 'round' => $signer->round, 'token' => $request->route('token')])
            : abort(403);
    }
}
