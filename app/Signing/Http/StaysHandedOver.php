<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Signing\InPerson;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** A device that was handed over for signing reaches nothing else until its owner takes it back. */
final class StaysHandedOver
{
    public function handle(Request $request, \Closure $next): Response
    {
        $isHandedOver = $request->hasSession() && (new InPerson($request->session()))->isHandedOver();
        if (! $isHandedOver || $request->routeIs('here*', 'sign', 'sign.*')) {
            return $next($request);
        }

        return $request->isMethodSafe() && ! $request->expectsJson() && $request->header('HX-Request') === null
            ? to_route('here')
            : abort(403);
    }
}
