<?php

declare(strict_types=1);

namespace Unanimus\History;

/**
 * The hash chain of a file's history: each entry's hash covers all of its columns and the hash before it,
 * so that a changed, inserted or missing entry breaks every hash after it. Where the chain ends is sealed by a key.
 */
final class Chain
{
    /** The hash before the first entry. */
    public const START = '0000000000000000000000000000000000000000000000000000000000000000';

    /**
     * The hash of an entry. Each column goes in with its length before it, so that no two entries read alike.
     *
     * @param list<string|null> $columns as text, in the order of the table
     * @return string SHA-256 in hex
     */
    public static function hash(string $before, array $columns): string
    {
        $text = implode('', array_map(static fn (?string $value) => $value === null ? '-;' : strlen($value).":{$value};", $columns));

        return hash('sha256', "{$before}\n{$text}");
    }

    /**
     * The code that tells a head of ours from one someone else has written.
     *
     * @param string $key known to the application, never to the database
     * @return string HMAC-SHA-256 in hex
     */
    public static function seal(string $key, int $file, int $seq, string $hash): string
    {
        return hash_hmac('sha256', "history:{$file}:{$seq}:{$hash}", $key);
    }

    /**
     * The first broken link.
     *
     * @param iterable<array{seq: int, before: string, hash: string, columns: list<string|null>}> $links in order
     * @return array{broken: int|null, seq: int, hash: string} the number of the first entry that does not hold, and where the chain ends
     */
    public static function walk(iterable $links): array
    {
        $before = self::START;
        $expected = 1;
        foreach ($links as $link) {
            if ($link['seq'] !== $expected || $link['before'] !== $before || $link['hash'] !== self::hash($before, $link['columns'])) {
                return ['broken' => min($link['seq'], $expected), 'seq' => $expected - 1, 'hash' => $before];
            }
            $before = $link['hash'];
            $expected++;
        }

        return ['broken' => null, 'seq' => $expected - 1, 'hash' => $before];
    }
}
