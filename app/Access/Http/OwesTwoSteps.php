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

    public const TOLD = 'Your brokerage requires two-step sign-in for your role. Set it up to continue.';

    public function handle(Request $request, \Closure $next): Response
    {
        $user = $request->user();
        // Who looks as somebody has signed in as themselves.
        $isLooking = $request->hasSession() && $request->session()->has(LookAs::SESSION);
        $owes = $user instanceof User && ! $isLooking && self::owes($user);
        if (! $owes || $request->routeIs(...self::ROUTES)) {
            return $next($request);
        }
        if ($request->expectsJson() || $request->header('HX-Request') !== null) {
            return (new JsonResponse(['message' => self::TOLD], 403))->header('HX-Redirect', '/me');
        }

        return to_route('me')->with('refused', self::TOLD);
    }

    /** Whether somebody's role needs two steps, which they have not set up; until then nothing of theirs opens, no token either. */
    public static function owes(User $user): bool
    {
        return $user->owes_two_step && ! SecondFactor::isOn($user);
    }
}
