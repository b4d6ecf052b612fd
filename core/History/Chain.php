<?php

declare(strict_types=1);

namespace Unanimus\History;

/**
 * The hash chain of a file's history: each entry's hash covers its own content and the hash before it,
 * so that a changed, inserted or missing entry breaks every hash after it.
 */
final class Chain
{
    /** The hash before the first entry. */
    public const START = '0000000000000000000000000000000000000000000000000000000000000000';

    /**
     * The hash of an entry.
     *
     * @param array<string, mixed> $entry what is covered; keys in any order, values of JSON kinds without floats
     * @return string SHA-256 in hex
     */
    public static function hash(string $before, array $entry): string
    {
        return hash('sha256', $before."\n".self::canonical($entry));
    }

    /**
     * The first broken link.
     *
     * @param iterable<array{seq: int, before: string, hash: string, entry: array<string, mixed>}> $links in order
     * @return int|null the number of the first entry that does not hold, or null when all hold
     */
    public static function firstBroken(iterable $links): ?int
    {
        $before = self::START;
        $expected = 1;
        foreach ($links as $link) {
            if ($link['seq'] !== $expected || $link['before'] !== $before || $link['hash'] !== self::hash($before, $link['entry'])) {
                return min($link['seq'], $expected);
            }
            $before = $link['hash'];
            $expected++;
        }

        return null;
    }

    /** @param  array<mixed>  $value */
    private static function canonical(array $value): string
    {
        return json_encode(self::sorted($value), JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
    }

    private static function sorted(mixed $value): mixed
    {
        if (! is_array($value)) {
            return $value;
        }
        if (! array_is_list($value)) {
            ksort($value, SORT_STRING);
        }

        return array_map(self::sorted(...), $value);
    }
}
