<?php

declare(strict_types=1);

namespace App\Access\Http;

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
        if (! in_array(strtolower($request->getHttpHost()), self::known(), true)) {
            return new Response('This server does not use that address.', 421, ['Content-Type' => 'text/plain']);
        }

        return $next($request);
    }

    /** @return list<string> */
    private static function known(): array
    {
        $url = parse_url((string) config('app.url'));
        $own = strtolower(($url['host'] ?? '').(isset($url['port']) ? ":{$url['port']}" : ''));

        return [
            $own,
            ...array_values(
                array_filter(
                    array_map(static fn (string $host) => strtolower(trim($host)), explode(',', (string) config('unanimus.hosts'))),
                ),
            ),
        ];
    }
}
