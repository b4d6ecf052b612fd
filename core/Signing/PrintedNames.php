<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * The names of a deal's people, to be known again where a paper prints them at a line: "Sunniva Eide", "EIDE, SUNNIVA".
 */
final readonly class PrintedNames
{
    /** @param  array<string, list<string>>  $words  of each name, by seat */
    private function __construct(private array $words)
    {
    }

    /** @param  array<string, string>  $names  by seat; a name of one word says too little, and is left out */
    public static function of(array $names): self
    {
        $words = array_filter(array_map(self::words(...), $names), static fn (array $one) => count($one) > 1);

        // Two of one name are told apart by nothing that is printed.
        return new self(array_filter($words, static fn (array $one) => count(array_keys($words, $one, true)) === 1));
    }

    /** Whose name stands in a text; null: nobody's, or more than one. */
    public function in(string $text): ?Seat
    {
        $there = self::words($text);
        $found = array_keys(array_filter($this->words, static fn (array $name) => array_diff($name, $there) === []));

        return count($found) === 1 ? Seat::of((string) $found[0]) : null;
    }

    /** Whether a text is somebody's name and no more, but for what they are or sign as: "Sunniva Eide", "Odalys Greywater, trustee". */
    public function isAll(string $text): bool
    {
        $seat = $this->in($text);

        return $seat !== null && count(self::words($text)) <= count($this->words[(string) $seat]) + 2;
    }

    /** @return list<string> without case, accents and punctuation, in order */
    private static function words(string $text): array
    {
        $plain = (string) preg_replace('/\p{Mn}/u', '', \Normalizer::normalize(mb_strtolower($text), \Normalizer::FORM_D) ?: $text);
        $words = preg_split('/[^\p{L}]+/u', $plain, -1, PREG_SPLIT_NO_EMPTY) ?: [];
        sort($words);

        return $words;
    }
}
