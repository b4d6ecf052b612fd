<?php

declare(strict_types=1);

namespace Unanimus\Access;

/**
 * Codes for the day the authenticator is lost: each counts once. Only their hashes are kept.
 */
final class RecoveryCodes
{
    /** Letters that are not mistaken for each other. */
    private const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';

    /** @return list<string> ten fresh ones, "k7mq-2xvd-9hta" */
    public static function fresh(): array
    {
        return array_map(
            static fn () => implode(
                '-',
                array_map(
                    static fn () => implode(
                        '',
                        array_map(static fn () => self::LETTERS[random_int(0, strlen(self::LETTERS) - 1)], range(1, 4)),
                    ),
                    range(1, 3),
                ),
            ),
            range(1, 10),
        );
    }

    /**
     * Their hashes. Codes of 59 random bits need no slow hash.
     *
     * @param list<string> $codes
     * @return list<string>
     */
    public static function hashes(array $codes): array
    {
        return array_map(self::hash(...), $codes);
    }

    /**
     * The hashes that are left when the typed code was one of them, or null when it was none.
     *
     * @param list<string> $hashes
     * @return list<string>|null
     */
    public static function spend(string $typed, array $hashes): ?array
    {
        $hash = self::hash($typed);
        $left = array_values(array_filter($hashes, static fn (string $one) => ! hash_equals($one, $hash)));

        return count($left) < count($hashes) ? $left : null;
    }

    private static function hash(string $code): string
    {
        return hash('sha256', 'recovery:'.preg_replace('/[^a-z0-9]+/', '', strtolower($code)));
    }
}
