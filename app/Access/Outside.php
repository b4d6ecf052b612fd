<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Http\Client\PendingRequest;
use Illuminate\Support\Facades\Http;
use Unanimus\Api\ApiRefusal;
use Unanimus\Api\HookAddress;
use Unanimus\Steps\StepRefused;

/** Calls to addresses that somebody typed: the very address that was looked at, and never one of our own network. */
final class Outside
{
    /** @throws StepRefused when it is no address to call */
    public static function at(string $url): PendingRequest
    {
        $anywhere = (bool) config('unanimus.hooks_anywhere');
        $address = HookAddress::of($url, $anywhere);
        $ip = self::ip($address->host) ?? throw ApiRefusal::NoHost->because();
        $anywhere || HookAddress::isPublic($ip) || throw ApiRefusal::OwnNetwork->because();

        return Http::timeout(10)->connectTimeout(5)->withoutRedirecting()
            // Whatever the name stands for a moment later.
            ->withOptions(['curl' => [CURLOPT_RESOLVE => ["{$address->host}:{$address->port}:{$ip}"], CURLOPT_MAXFILESIZE => 65536],
                'stream' => false])
            ->withHeaders(['User-Agent' => 'Unanimus']);
    }

    private static function ip(string $host): ?string
    {
        if (filter_var($host, FILTER_VALIDATE_IP) !== false) {
            return $host;
        }
        $found = gethostbynamel($host) ?: [];

        return $found[0] ?? null;
    }
}
