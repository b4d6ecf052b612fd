<?php

declare(strict_types=1);

namespace Unanimus\Terms;

/** A text with fields of the deal in braces: "The price is {price}." Who fills it says which fields there are. */
final class FieldText
{
    private const FIELD = '/\{([^{}\n]{0,60})\}/u';

    /** @return list<string> what stands in its braces, each once */
    public static function codes(string $text): array
    {
        preg_match_all(self::FIELD, $text, $found);

        return array_values(array_unique($found[1]));
    }

    /**
     * Its words and fields, in order.
     *
     * @return list<array{string, string|null}> the text as written, and the code where it is a field
     */
    public static function parts(string $text): array
    {
        $parts = [];
        $at = 0;
        preg_match_all(self::FIELD, $text, $found, PREG_OFFSET_CAPTURE | PREG_SET_ORDER);
        foreach ($found as [[$whole, $from], [$code]]) {
            $from > $at && ($parts[] = [substr($text, $at, $from - $at), null]);
            $parts[] = [$whole, $code];
            $at = $from + strlen($whole);
        }
        $at < strlen($text) && ($parts[] = [substr($text, $at), null]);

        return $parts;
    }

    /**
     * What a field stands for, as it is said in a sentence; empty where nothing is known.
     *
     * @param array<string, string> $own what is known besides the facts
     */
    public static function value(string $code, Facts $facts, array $own = []): string
    {
        $value = $own[$code] ?? $facts->value($code) ?? '';
        $term = Term::tryFrom($code);

        return $value === '' || $term === null || isset($own[$code]) ? $value : $term->kind()->inSentence($value);
    }
}
