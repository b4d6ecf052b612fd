<?php

declare(strict_types=1);

namespace App\Access\Http;

use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Gives each request an id that stands in the logs and on error pages. */
final class RequestId
{
    private static string $current = '';

    public function handle(Request $request, \Closure $next): Response
    {
        self::$current = bin2hex(random_bytes(6));
        $response = $next($request);
        $response->headers->set('X-Request-Id', self::$current);

        return $response;
    }

    public static function current(): string
    {
        return self::$current;
    }

    /** A text without email addresses and links' secrets. */
    public static function redact(string $text): string
    {
        return (string) preg_replace(
            ['/[\w.+-]+@[\w.-]+/u', '~/(sign|fill|read|invitation)/[\w./-]+~'],
            ['(address)', '/$1/(link)'],
            $text,
        );
    }
}
