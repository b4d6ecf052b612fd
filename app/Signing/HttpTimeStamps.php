<?php

declare(strict_types=1);

namespace App\Signing;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\Http;
use Unanimus\Evidence\StampRequest;
use Unanimus\Evidence\StampUnavailable;
use Unanimus\Evidence\TimeStamps;

/** A time-stamping authority reached over HTTP (RFC 3161, section 3.4). */
final class HttpTimeStamps implements TimeStamps
{
    public function __construct(private readonly string $url)
    {
    }

    public function stamp(string $digest): string
    {
        $request = StampRequest::over($digest);
        try {
            $answer = Http::connectTimeout(3)
                ->timeout(8)
                ->withBody($request->der, 'application/timestamp-query')
                ->accept('application/timestamp-reply')
                ->post($this->url);
        } catch (ConnectionException $failed) {
            throw new StampUnavailable('The time-stamping authority does not answer.', previous: $failed);
        }
        if (! $answer->successful()) {
            throw new StampUnavailable("The time-stamping authority answered with status {$answer->status()}.");
        }

        return $request->tokenIn($answer->body());
    }
}
