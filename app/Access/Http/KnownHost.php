<?php

declare(strict_types=1);

namespace App\Access\Http;

use App\Access\OwnAddress;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\Response as Answer;

/**
 * Answers only under the names this installation is configured for: nothing that goes out is made from what a request
 * claims about itself.
 *
 * @link https://www.rfc-editor.org/rfc/rfc9110#section-15.5.20 421 Misdirected Request
 */
final class KnownHost
{
    public function handle(Request $request, \Closure $next): Answer
    {
        if (! in_array(strtolower($request->getHttpHost()), OwnAddress::known(), true)) {
            return new Response('This server does not use that address.', 421, ['Content-Type' => 'text/plain']);
        }
        $host = strtolower($request->getHttpHost());
        OwnAddress::enter($host === OwnAddress::known()[0] ? null : OwnAddress::at($host));

        return $next($request);
    }
}
