<?php

declare(strict_types=1);

namespace App\Access\Http;

use App\Access\Reach;
use App\Models\User;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Whatever a request names, the person must be allowed to reach, by the rules of the application and not by row-level
 * security alone. What they may not reach is not found.
 */
final class SeesWhatItNames
{
    public function handle(Request $request, \Closure $next): Response
    {
        $user = $request->user();
        foreach ($request->route()?->parameters() ?? [] as $named) {
            abort_if($named instanceof Model && ! ($user instanceof User && Reach::allows($user, $named)), 404);
        }

        return $next($request);
    }
}
