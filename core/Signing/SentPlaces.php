<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * What a round consists of when it goes out, in one digest: each document by its bytes, each place by whose it is, what it
 * is and asks for, and where it stands. It stands in the event of sending; whatever is changed afterwards shows against it.
 */
final class SentPlaces
{
    /**
     * @param list<array{sha256: string, pages: int}> $papers in order
     * @param list<array{key: string, paper: int, seat: string, kind: string, page: int, x: string, y: string, width: string,
     *     height: string, terms?: array<string, string|bool>}> $marks paper as its place in the order
     * @return string SHA-256 in hex
     */
    public static function digest(array $papers, array $marks): string
    {
        usort($marks, static fn (array $a, array $b) => $a['key'] <=> $b['key']);

        return hash(
            'sha256',
            json_encode([array_map(array_values(...), $papers), array_map(array_values(...), $marks)], JSON_THROW_ON_ERROR),
        );
    }
}
