<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What the application proves by a key of its own. It is proved by the key of now, and holds also by those before it
 * (APP_PREVIOUS_KEYS), so that a new key makes no link in anybody's mailbox dead.
 */
final class AppKeys
{
    public static function proof(string $of, bool $raw = false): string
    {
        return hash_hmac('sha256', $of, (string) config('app.key'), $raw);
    }

    /** @param  callable(string): string  $asGiven  makes of the raw proof what was given */
    public static function holds(string $of, #[\SensitiveParameter] string $given, callable $asGiven): bool
    {
        $holds = false;
        foreach (self::all() as $key) {
            $holds = hash_equals($asGiven(hash_hmac('sha256', $of, $key, true)), $given) || $holds;
        }

        return $holds;
    }

    /** @return list<string> keys made for one use: the first is that of now */
    public static function madeFor(string $use): array
    {
        return array_map(static fn (string $key) => hash_hmac('sha256', $use, $key), self::all());
    }

    /** @return non-empty-list<string> */
    private static function all(): array
    {
        return [(string) config('app.key'), ...array_values((array) config('app.previous_keys'))];
    }
}
