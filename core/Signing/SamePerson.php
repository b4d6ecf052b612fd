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
        [$one, $other] = [self::plain("{$name}\n{$address}"), self::plain("{$otherName}\n{$otherAddress}")];

        return trim($name) !== '' && trim((string) $address) !== '' && $one === $other;
    }

    private static function plain(string $text): string
    {
        return mb_strtolower((string) preg_replace('/[^\S\n]+/u', ' ', trim((string) preg_replace('/[^\S\n]*\n[^\S\n]*/u', "\n", $text))));
    }
}
