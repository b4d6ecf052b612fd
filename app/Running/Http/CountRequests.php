<?php

declare(strict_types=1);

namespace App\Running\Http;

use App\Running\RequestTally;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Counts what was answered, after it was. */
final class CountRequests
{
    public function handle(Request $request, \Closure $next): Response
    {
        return $next($request);
    }

    public function terminate(Request $request, Response $response): void
    {
        $since = (float) $request->server('REQUEST_TIME_FLOAT', microtime(true));
        $route = (string) ($request->route()?->getName() ?? 'none');
        RequestTally::add($route, $response->getStatusCode(), max(0.0, microtime(true) - $since));
    }
}
