<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/** Whether two seats of a round are one person's, who agrees and chooses a signature once for both. */
final class SamePerson
{
    /**
     * By name and address together: of two people with one address each signs for themselves, and so do two of one name.
     *
     * @param string|null $address of email; without one nobody is known to be the same
     */
    public static function is(string $name, ?string $address, string $otherName, ?string $otherAddress): bool
    {
        return self::plain($name) !== '' && self::plain((string) $address) !== '' &&
            self::plain($name) === self::plain($otherName) && self::plain((string) $address) === self::plain((string) $otherAddress);
    }

    private static function plain(string $text): string
    {
        return mb_strtolower(trim((string) preg_replace('/\s+/u', ' ', $text)));
    }
}
