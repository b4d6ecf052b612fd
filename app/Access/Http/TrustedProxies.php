<?php

declare(strict_types=1);

namespace App\Access\Http;

use Illuminate\Http\Middleware\TrustProxies;

/** Believes what a proxy says of the client (RFC 7239 and its forerunners) only of the proxies that are configured. */
final class TrustedProxies extends TrustProxies
{
    /** @return list<string> addresses or networks; none by default */
    protected function proxies(): array
    {
        return array_values(array_filter(array_map(trim(...), explode(',', (string) config('unanimus.proxies')))));
    }
}
