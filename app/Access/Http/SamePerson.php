<?php

declare(strict_types=1);

namespace App\Access\Http;

use App\Models\User;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * A page that was left open sends for the person it was made for. Where someone else has signed in since in another tab,
 * it is refused: what one typed is not stored as another's.
 */
final class SamePerson
{
    public function handle(Request $request, \Closure $next): Response
    {
        $madeFor = $request->header('X-Person');
        if ($madeFor !== null) {
            $user = $request->user();
            abort_unless($user instanceof User && $user->key === $madeFor, 419);
        }

        return $next($request);
    }
}
