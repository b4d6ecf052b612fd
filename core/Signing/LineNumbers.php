<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Word;

/**
 * The numbers of a page's lines, as they stand in the margin of many contracts, and of the page itself: they say nothing of what is
 * signed.
 *
 * @internal to its area
 */
final class LineNumbers
{
    /** Fewer under each other are a list. */
    private const FEWEST = 8;

    /** How far apart, in points, the edges of one column of them are. */
    private const COLUMN = 4.0;

    /**
     * Words without the numbers that count up in a column beside the text, line by line, and without "Page 4 of 9".
     *
     * @param list<Word> $words
     * @return list<Word>
     */
    public static function without(array $words): array
    {
        $words = self::withoutPage($words);
        $numbers = array_filter($words, static fn (Word $word) => preg_match('/^\d{1,3}$/', $word->text) === 1);
        usort($numbers, static fn (Word $a, Word $b) => $a->y <=> $b->y);
        $taken = [];
        foreach ($numbers as $first) {
            if (in_array($first, $taken, true)) {
                continue;
            }
            $column = [$first];
            foreach ($numbers as $next) {
                $last = $column[array_key_last($column)];
                $isUnder = $next->y > $last->y + 1 && self::isAligned($first, $next);
                // One or two may be missing: a blank line is counted, and has no words.
                $up = (int) $next->text - (int) $last->text;
                $isUnder && $up > 0 && $up <= 3 && ($column[] = $next);
            }
            count($column) >= self::FEWEST && self::isMargin($column, $words) && array_push($taken, ...$column);
        }

        return $taken === [] ? $words : array_values(array_filter($words, static fn (Word $word) => ! in_array($word, $taken, true)));
    }

    /**
     * @param list<Word> $words
     * @return list<Word>
     */
    private static function withoutPage(array $words): array
    {
        $taken = [];
        foreach ($words as $at => $word) {
            $says = implode(' ', array_map(static fn (Word $one) => $one->text, array_slice($words, $at, 4)));
            if (preg_match('/^page \d{1,3} of \d{1,3}$/i', $says) === 1) {
                array_push($taken, $at, $at + 1, $at + 2, $at + 3);
            }
        }

        return array_values(array_diff_key($words, array_flip($taken)));
    }

    private static function isAligned(Word $one, Word $other): bool
    {
        return abs($one->x - $other->x) < self::COLUMN || abs($one->right() - $other->right()) < self::COLUMN;
    }

    /**
     * Whether nothing stands farther out, on the side that they stand on.
     *
     * @param non-empty-list<Word> $column
     * @param list<Word> $words
     */
    private static function isMargin(array $column, array $words): bool
    {
        $left = min(array_map(static fn (Word $word) => $word->x, $column)) - 1;
        $right = max(array_map(static fn (Word $word) => $word->right(), $column)) + 1;
        [$top, $foot] = [$column[0]->y - 2, $column[count($column) - 1]->bottom() + 2];
        $beside = array_filter($words, static fn (Word $word) => $word->y > $top && $word->bottom() < $foot);

        return array_filter($beside, static fn (Word $word) => $word->x < $left) === []
            || array_filter($beside, static fn (Word $word) => $word->right() > $right) === [];
    }
}
