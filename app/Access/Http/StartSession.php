<?php

declare(strict_types=1);

namespace App\Access\Http;

use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession as Base;

/**
 * Remembers as the page a person came from only what they looked at: a page's pictures are fetched after it, and whoever
 * is sent back after a refusal must find the page with what they typed, not one of its pictures.
 *
 * What a page asks for by itself leaves the session as it is. Otherwise an answer that comes back late would put back what
 * stood before, and what a person was to be told on the next page would be gone.
 *
 * @link https://www.w3.org/TR/fetch-metadata/#sec-fetch-dest-header
 */
final class StartSession extends Base
{
    /** Seconds after which such a request, too, tells that the person is still there. */
    private const TOUCH = 300;

    private const BEFORE = 'session.before';

    private const TOUCHED = 'touched';

    protected function startSession(Request $request, $session): Session
    {
        $session = parent::startSession($request, $session);
        $request->attributes->set(self::BEFORE, self::state($session));

        return $session;
    }

    protected function storeCurrentUrl(Request $request, $session): void
    {
        if ($request->headers->get('Sec-Fetch-Dest', 'document') === 'document' && ! preg_match('/\.[a-z0-9]{2,5}$/', $request->path())) {
            parent::storeCurrentUrl($request, $session);
        }
    }

    /** @param  Request  $request */
    protected function saveSession($request): void
    {
        $session = $request->session();
        if (self::isByItself($request) && self::state($session) === $request->attributes->get(self::BEFORE)) {
            // A page that is left open asks on and on; that nobody is there it does not hide.
            if ($request->is('notices/count')) {
                return;
            }
            if (time() - (int) $session->get(self::TOUCHED, 0) < self::TOUCH) {
                return;
            }
            $session->reflash();
        }
        $session->put(self::TOUCHED, time());
        parent::saveSession($request);
    }

    /** Whether a page asked for it, and not a person who goes to another page. */
    private static function isByItself(Request $request): bool
    {
        $mode = $request->headers->get('Sec-Fetch-Mode');

        return $mode === null ? $request->expectsJson() || $request->headers->has('HX-Request') : $mode !== 'navigate';
    }

    /** @return array{string, array<string, mixed>} */
    private static function state(Session $session): array
    {
        return [$session->getId(), array_diff_key($session->all(), ['_flash' => 1, '_previous' => 1, self::TOUCHED => 1])];
    }
}
