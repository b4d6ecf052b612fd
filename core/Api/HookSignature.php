<?php

declare(strict_types=1);

namespace Unanimus\Api;

/**
 * Proves to whoever is called that it was us, and when: HMAC-SHA-256 over the moment, a dot and the body. The moment is part of
 * it, so that a call that was listened to cannot be played again later.
 *
 * @link https://www.rfc-editor.org/rfc/rfc2104
 */
final class HookSignature
{
    /** Seconds within which a call is to be believed. */
    public const TOLERANCE = 300;

    /** The header's value. @param  int  $at seconds since 1970 */
    public static function of(#[\SensitiveParameter] string $secret, int $at, string $body): string
    {
        return "t={$at},v1=".hash_hmac('sha256', "{$at}.{$body}", $secret);
    }

    /** Whether a header is ours, and fresh. @param  int  $now seconds since 1970 */
    public static function holds(#[\SensitiveParameter] string $secret, string $header, string $body, int $now): bool
    {
        return preg_match('/^t=(\d{1,12}),v1=([0-9a-f]{64})$/', $header, $parts) === 1
            && abs($now - (int) $parts[1]) <= self::TOLERANCE
            && hash_equals(self::of($secret, (int) $parts[1], $body), $header);
    }
}
