<?php

declare(strict_types=1);

namespace Unanimus\Finding;

/**
 * Finds forms by number, by words in any order, by fragments of words and by mistyped words, over all sets; what is used
 * often comes first among equals.
 */
final class FormFinder
{
    /**
     * The numbers of the forms that fit, the best first; all of them when nothing is asked.
     *
     * @param array<string, string> $forms what is known of each in words, by number
     * @param array<string, int> $uses how often each was used in such files, by number
     * @return list<string>
     */
    public static function find(array $forms, string $typed, array $uses = []): array
    {
        $asked = preg_split('/\s+/', Query::plain($typed), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $found = [];
        foreach ($forms as $number => $words) {
            $score = self::score((string) $number, preg_split('/\s+/', Query::plain($words), -1, PREG_SPLIT_NO_EMPTY) ?: [], $asked);
            $score === null || ($found[(string) $number] = $score);
        }
        $numbers = array_map(strval(...), array_keys($found));
        usort($numbers, static fn (string $a, string $b) => [$found[$b], $uses[$b] ?? 0, $a] <=> [$found[$a], $uses[$a] ?? 0, $b]);

        return $numbers;
    }

    /**
     * @param list<string> $words
     * @param list<string> $asked
     */
    private static function score(string $number, array $words, array $asked): ?int
    {
        $plain = (string) preg_replace('/[^a-z0-9]/', '', strtolower($number));
        $digits = (string) preg_replace('/\D/', '', $number);
        $sum = 0;
        foreach ($asked as $one) {
            $best = str_starts_with($plain, $one) || str_starts_with($digits, $one) ? 10 : 0;
            foreach ($words as $word) {
                $best = max(
                    $best,
                    match (true) {
                        $word === $one => 8,
                        str_starts_with($word, $one) => 6,
                        str_contains($word, $one) => 4,
                        default => self::isMistyped($one, $word) ? 2 : 0,
                    },
                );
            }
            if ($best === 0) {
                return null;
            }
            $sum += $best;
        }

        return $sum;
    }

    /** One slip in four letters, two in seven; the word may go on after what was typed. */
    private static function isMistyped(string $typed, string $word): bool
    {
        $length = strlen($typed);
        $allowed = $length >= 7 ? 2 : ($length >= 4 ? 1 : 0);
        if ($allowed === 0 || $word[0] !== $typed[0]) {
            return false;
        }
        foreach (range($length - 1, $length + 1) as $part) {
            if (levenshtein($typed, substr($word, 0, $part)) <= $allowed) {
                return true;
            }
        }

        return false;
    }
}
