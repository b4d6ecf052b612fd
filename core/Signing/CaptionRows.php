<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Word;

/**
 * "Tenant    Date" under two lines, not quite where the lines are, as typed captions come to stand: there are as many captions as
 * lines, so each is its own line's, in order.
 *
 * @internal to its area
 */
final class CaptionRows
{
    /** How far under the lines, in points, such a row stands. */
    private const REACH = 19.0;

    /** Words farther apart are two captions. */
    private const GAP = 14.0;

    /** Words of one row differ no more in height. */
    private const ROW = 4.0;

    /**
     * @param list<SigningLine> $lines in rows, from the top
     * @param list<Word> $words
     * @return list<SigningLine>
     */
    public static function inOrder(array $lines, array $words): array
    {
        foreach ($lines as $first => $line) {
            if ($first > 0 && $line->isBeside($lines[$first - 1])) {
                continue;
            }
            $row = array_filter($lines, static fn (SigningLine $other) => $other->isBeside($line));
            $isOpen = static fn (SigningLine $one): bool => ! $one->isCell() && $one->at->caption === '' &&
                preg_match('/^\W*$/', $one->before) === 1;
            $lacks = array_filter($row, static fn (SigningLine $one) => $one->under === '');
            if (count($row) < 2 || array_filter($row, $isOpen) !== $row) {
                continue;
            }
            $captions = self::under($line->foot(), $words);
            // "____ / ____" over "Purchaser / Date".
            $stroked = count($captions) === 1 ? preg_split('~\s*/\s*~', $captions[0]) ?: [] : [];
            $captions = count($stroked) > 1 ? $stroked : $captions;
            if ($stroked === [] && ($lacks === [] || count($lacks) === count($row))) {
                continue;
            }
            $own = array_filter(
                $captions,
                static fn (string $words) => self::isCaption($words) && ! LineNeighbors::isLabelOfOther($words, $line, $lines),
            );
            if (count($captions) === count($row) && $own === $captions) {
                foreach (array_keys($row) as $nth => $index) {
                    $lines[$index] = $lines[$index]->captioned($captions[$nth]);
                }
            }
        }

        return $lines;
    }

    /**
     * @param list<Word> $words
     * @return list<string> the captions of the row of words next under there, from the left
     */
    private static function under(float $foot, array $words): array
    {
        $below = array_filter($words, static function (Word $word) use ($foot): bool {
            $middle = $word->y + $word->height / 2;

            return $middle > $foot && $middle < $foot + self::REACH;
        });
        if ($below === []) {
            return [];
        }
        $top = min(array_map(static fn (Word $word) => $word->y, $below));
        $row = array_filter($below, static fn (Word $word) => $word->y - $top < self::ROW);
        usort($row, static fn (Word $a, Word $b) => $a->x <=> $b->x);
        [$captions, $edge] = [[], null];
        foreach ($row as $word) {
            if ($edge === null || $word->x - $edge > self::GAP) {
                $captions[] = $word->text;
            } else {
                $captions[array_key_last($captions)] .= " {$word->text}";
            }
            $edge = $word->right();
        }

        return $captions;
    }

    private static function isCaption(string $words): bool
    {
        return SignerWords::isAll($words) || MarkLabels::isSignature($words) || MarkLabels::companion($words) !== null;
    }
}
