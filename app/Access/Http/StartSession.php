<?php

declare(strict_types=1);

namespace App\Access\Http;

use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession as Base;

/**
 * Remembers as the page a person came from only what they looked at: a page's pictures are fetched after it, and whoever
 * is sent back after a refusal must find the page with what they typed, not one of its pictures.
 *
 * @link https://www.w3.org/TR/fetch-metadata/#sec-fetch-dest-header
 */
final class StartSession extends Base
{
    protected function storeCurrentUrl(Request $request, $session): void
    {
        if ($request->headers->get('Sec-Fetch-Dest', 'document') === 'document' && ! preg_match('/\.[a-z0-9]{2,5}$/', $request->path())) {
            parent::storeCurrentUrl($request, $session);
        }
    }
}
