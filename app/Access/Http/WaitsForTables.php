<?php

declare(strict_types=1);

namespace App\Access\Http;

use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** While an upgrade changes tables, which takes a moment, a request waits before it asks the database anything. */
final class WaitsForTables
{
    /** In seconds. What takes longer goes on beside those who work. */
    private const LONGEST = 15.0;

    private const AGAIN = 0.05;

    public function handle(Request $request, \Closure $next): Response
    {
        $mark = (string) config('unanimus.requests_wait');
        // One that is older was left behind by an upgrade that was killed.
        for ($waited = 0.0; (int) @filemtime($mark) > time() - self::LONGEST && $waited < self::LONGEST; $waited += self::AGAIN) {
            usleep((int) (self::AGAIN * 1e6));
            clearstatcache(true, $mark);
        }

        return $next($request);
    }
}
