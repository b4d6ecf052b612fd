<?php

declare(strict_types=1);

namespace Unanimus\Review;

use Unanimus\Terms\Facts;
use Unanimus\Terms\FieldText;
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
        return implode('', array_map(static function (array $part) use ($facts, $more): string {
            [$written, $code] = $part;

            return $code === null || preg_match('/^[a-z][a-z0-9_.]*$/', $code) !== 1
                ? $written
                : (FieldText::value($code, $facts, $more) ?: '____');
        }, FieldText::parts($text)));
    }

    /** @return list<string> fields that a sentence names and that there are none of */
    public static function unknown(string $text): array
    {
        $terms = array_map(static fn (Term $term) => $term->value, Term::cases());
        $known = [...$terms, 'paper', 'agent', 'file', 'buyers.names', 'sellers.names'];

        return array_values(array_unique(array_diff(FieldText::codes($text), $known)));
    }
}
