<?php

declare(strict_types=1);

namespace App\Access\Http;

use Illuminate\Http\Request;
use Illuminate\Support\Facades\Context;
use Symfony\Component\HttpFoundation\Response;

/**
 * Gives each request an id that stands in the logs, on error pages, in what is done later for it in the background, and in the
 * email that comes of it.
 */
final class RequestId
{
    private const NAME = 'request';

    public function handle(Request $request, \Closure $next): Response
    {
        Context::add(self::NAME, bin2hex(random_bytes(6)));
        $response = $next($request);
        $response->headers->set('X-Request-Id', self::current());

        return $response;
    }

    public static function current(): string
    {
        return (string) Context::get(self::NAME, '');
    }

    /** A text without email addresses and links' secrets. */
    public static function redact(string $text): string
    {
        return (string) preg_replace(
            ['/[\w.+-]+@[\w.-]+/u', '~/(sign|fill|read|bring|client|work|invitation|password)/[\w./-]+~'],
            ['(address)', '/$1/(link)'],
            $text,
        );
    }
}
