<?php

declare(strict_types=1);

namespace Unanimus\Messages;

/**
 * Which letter another one answers, and how an answer is headed.
 *
 * @link https://www.rfc-editor.org/rfc/rfc5322#section-3.6.4 Identification fields
 */
final class Threading
{
    /** Identifiers that an answer names at most: the first, and those closest to it. */
    private const MOST = 20;

    /** The subject of an answer: "Re:" once, however often it went to and fro. */
    public static function subject(string $subject): string
    {
        $bare = trim((string) preg_replace('/^(\s*(re|aw|rv|fw|fwd)\s*(\[\d+\])?\s*:)+/iu', '', $subject));

        return $bare === '' ? 'Re: your message' : "Re: {$bare}";
    }

    /**
     * What an answer names as that which it answers, oldest first.
     *
     * @param list<string> $before identifiers that the answered letter named, without brackets
     * @return list<string>
     */
    public static function references(array $before, string $answered): array
    {
        $all = array_values(array_unique(array_filter([...$before, $answered], static fn (string $id) => $id !== '')));

        return count($all) <= self::MOST ? $all : [$all[0], ...array_slice($all, 1 - self::MOST)];
    }

    /**
     * Identifiers out of the fields "In-Reply-To" and "References", without brackets; the one it answers first.
     *
     * @return list<string>
     */
    public static function named(string $inReplyTo, string $references): array
    {
        preg_match_all('/<([^<>\s]{1,300})>/', $inReplyTo, $answered);
        preg_match_all('/<([^<>\s]{1,300})>/', $references, $older);

        return array_values(array_unique([...$answered[1], ...array_reverse($older[1])]));
    }
}
