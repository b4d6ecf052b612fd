<?php

declare(strict_types=1);

namespace App\Access\Http;

use App\Access\LookAs;
use App\Access\SecondFactor;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Whose role needs two steps to sign in sets them up before anything else. */
final class OwesTwoSteps
{
    private const ROUTES = ['me', 'me.second-factor', 'me.second-factor-svg', 'me.second-factor.on', 'sign-out', 'sign-out.everywhere',
        'password.update', 'look.end'];

    public function handle(Request $request, \Closure $next): Response
    {
        $user = $request->user();
        // Who looks as somebody has signed in as themselves.
        $isLooking = $request->hasSession() && $request->session()->has(LookAs::SESSION);
        $owes = $user instanceof User && ! $isLooking && SecondFactor::isOwedBy($user);
        if (! $owes || $request->routeIs(...self::ROUTES)) {
            return $next($request);
        }
        if ($request->expectsJson() || $request->header('HX-Request') !== null) {
            return (new JsonResponse(['message' => SecondFactor::OWED], 403))->header('HX-Redirect', '/me');
        }

        return to_route('me')->with('refused', SecondFactor::OWED);
    }
}
