<?php

declare(strict_types=1);

namespace Unanimus\Review;

use Unanimus\Terms\Facts;
use Unanimus\Terms\Term;

/** Sentences with fields of the deal in braces: "The price is {price}." */
final class KeptWords
{
    /**
     * The sentence as it is said of a deal; a field that is not known is left for the reviewer to fill, as "____".
     *
     * @param array<string, string> $more what is known besides the facts: "paper", "agent"
     */
    public static function fill(string $text, Facts $facts, array $more = []): string
    {
        return (string) preg_replace_callback('/\{([a-z][a-z0-9_.]*)\}/', static function (array $m) use ($facts, $more): string {
            $value = $more[$m[1]] ?? $facts->value($m[1]) ?? '';
            $term = Term::tryFrom($m[1]);

            return $value === '' ? '____' : ($term === null ? $value : $term->kind()->inSentence($value));
        }, $text);
    }

    /** @return list<string> fields that a sentence names and that there are none of */
    public static function unknown(string $text): array
    {
        preg_match_all('/\{([^{}]*)\}/', $text, $found);
        $terms = array_map(static fn (Term $term) => $term->value, Term::cases());
        $known = [...$terms, 'paper', 'agent', 'file', 'buyers.names', 'sellers.names'];

        return array_values(array_unique(array_diff($found[1], $known)));
    }
}
