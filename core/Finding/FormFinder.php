<?php

declare(strict_types=1);

namespace Unanimus\Finding;

/**
 * Finds forms by number, by words in any order, by fragments of words and by mistyped words, over all sets; what is used
 * often comes first among equals.
 */
final class FormFinder
{
    /** What the trade writes short, and the words of a title it stands for. */
    private const SHORT = [
        'cda' => 'commission disbursement',
        'em' => 'earnest money',
        'emd' => 'earnest money',
        'fha' => 'government insured',
        'hoa' => 'association',
        'la' => 'listing agreement',
        'lbp' => 'lead paint',
        'pa' => 'purchase agreement',
        'poa' => 'association',
        'psa' => 'purchase agreement',
        'rofr' => 'first refusal',
        'sd' => 'disclosure',
        'spd' => 'seller property disclosure',
        'va' => 'government insured',
    ];

    private const OF_SHORT = 7;

    /**
     * The numbers of the forms that fit, the best first; all of them when nothing is asked.
     *
     * @param array<string, string> $forms what is known of each in words, by number
     * @param array<string, int> $uses how often each was used in such files, by number
     * @param list<string> $preferred numbers of those that the office prefers to others like them
     * @return list<string>
     */
    public static function find(array $forms, string $typed, array $uses = [], array $preferred = []): array
    {
        $asked = preg_split('/\s+/', Query::plain($typed), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $found = [];
        foreach ($forms as $number => $words) {
            $score = self::score((string) $number, preg_split('/\s+/', Query::plain($words), -1, PREG_SPLIT_NO_EMPTY) ?: [], $asked);
            $score === null || ($found[(string) $number] = $score);
        }
        $numbers = array_map(strval(...), array_keys($found));
        $rank = static fn (string $number) => [$found[$number], (int) in_array($number, $preferred, true), $uses[$number] ?? 0];
        usort($numbers, static fn (string $a, string $b) => [...$rank($b), $a] <=> [...$rank($a), $b]);

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
            $best = str_starts_with($plain, $one) || str_starts_with($digits, $one) ? 10 : self::ofShort($words, $one);
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

    /**
     * What is written short: by the trade, or by the first letters of a title's words.
     *
     * @param list<string> $words
     */
    private static function ofShort(array $words, string $one): int
    {
        $meant = explode(' ', self::SHORT[$one] ?? '');
        $all = array_filter($meant, static function (string $part) use ($words): bool {
            foreach ($words as $word) {
                if ($part !== '' && str_starts_with($word, $part)) {
                    return false;
                }
            }

            return true;
        });
        if ($all === []) {
            return self::OF_SHORT;
        }
        $initials = implode('', array_map(static fn (string $word) => $word[0], $words));

        return strlen($one) >= 3 && str_starts_with($initials, $one) ? self::OF_SHORT : 0;
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
