<?php

declare(strict_types=1);

namespace App\Access\Http;

use App\Models\User;
use App\Models\WorkingCopy;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * A guest, who came by the link of a working copy, reaches the desk of their own rounds and nothing else that needs a sign-in,
 * and that only while the working copy is open. Whatever is not named here they do not reach.
 */
final class OnlyOwnDesk
{
    private const ROUTES = [
        'papers.pages',
        'rounds.again',
        'rounds.answers',
        'rounds.asks',
        'rounds.asks.destroy',
        'rounds.destroy',
        'rounds.drawn',
        'rounds.forgotten',
        'rounds.last-day',
        'rounds.looked',
        'rounds.lookers',
        'rounds.marks',
        'rounds.marks.show',
        'rounds.papers',
        'rounds.papers.destroy',
        'rounds.papers.order',
        'rounds.papers.pages',
        'rounds.papers.pages.places',
        'rounds.pen',
        'rounds.pen-pdf',
        'rounds.people',
        'rounds.recall',
        'rounds.rehearse',
        'rounds.remind',
        'rounds.reveal',
        'rounds.send',
        'rounds.set-pdf',
        'rounds.show',
        'rounds.signers.code',
        'rounds.signers.destroy',
        'rounds.signers.remind',
        'rounds.signers.replace',
        'rounds.signers.update',
        'rounds.standing',
        'rounds.try-again',
        'rounds.update',
        'sign-out',
    ];

    public function handle(Request $request, \Closure $next): Response
    {
        $user = $request->user();
        if (! ($user instanceof User) || ! $user->guest) {
            return $next($request);
        }
        $copy = WorkingCopy::query()->with('guestFile.office')->where('guest_id', $user->id)->first();
        $isOpen = $copy !== null && $copy->isOpen($copy->guestFile->office->today());
        if ($isOpen && $request->routeIs(...self::ROUTES)) {
            return $next($request);
        }
        $isOpen || Auth::logout();
        // A page that they are led to after something is their own page instead; all else is not there for them.
        $isPage = $request->isMethodSafe() && ! $request->expectsJson() && $request->header('HX-Request') === null;

        return $isPage && $copy !== null ? redirect()->to($copy->link()) : abort(404);
    }
}
