<?php

declare(strict_types=1);

namespace App\Api\Http;

use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Whatever a program says it accepts, it is answered in JSON, also when it is refused. */
final class AnswersJson
{
    public function handle(Request $request, \Closure $next): Response
    {
        $request->headers->set('Accept', 'application/json');

        return $next($request);
    }
}
