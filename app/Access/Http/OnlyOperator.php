<?php

declare(strict_types=1);

namespace App\Access\Http;

use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\IpUtils;
use Symfony\Component\HttpFoundation\Response;

/** What shows how the installation runs is answered only to the addresses that its operator says, where any are said. */
final class OnlyOperator
{
    public function handle(Request $request, \Closure $next): Response
    {
        $from = array_filter(array_map(trim(...), explode(',', (string) config('unanimus.operator_from'))));
        abort_if($from !== [] && ! IpUtils::checkIp((string) $request->ip(), $from), 404);

        return $next($request);
    }
}
