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
        $captioned = [];
        foreach ($lines as $first => $line) {
            if ($first > 0 && $line->isBeside($lines[$first - 1])) {
                continue;
            }
            $row = array_filter($lines, static fn (SigningLine $other) => $other->isBeside($line));
            $captions = count($row) < 2 || array_filter($row, self::isOpen(...)) !== $row ? [] : self::captions($line, $row, $words);
            $own = array_filter(
                $captions,
                static fn (string $words) => LabelPlaces::isLabel($words) && ! LineNeighbors::isLabelOfOther($words, $line, $lines),
            );
            if (count($captions) === count($row) && $own === $captions) {
                foreach (array_keys($row) as $nth => $index) {
                    $captioned[$index] = $captions[$nth];
                }
            }
        }

        return array_map(
            static fn (SigningLine $line, int $index) => isset($captioned[$index]) ? $line->captioned($captioned[$index]) : $line,
            $lines,
            array_keys($lines),
        );
    }

    private static function isOpen(SigningLine $line): bool
    {
        return ! $line->isCell() && $line->at->caption === '' && preg_match('/^\W*$/', $line->before) === 1;
    }

    /**
     * The captions of a row of lines, where which is whose is not told by where they stand.
     *
     * @param array<int, SigningLine> $row
     * @param list<Word> $words
     * @return list<string>
     */
    private static function captions(SigningLine $line, array $row, array $words): array
    {
        $captions = self::under($line->foot(), $words);
        // "____ / ____" over "Purchaser / Date".
        $parts = [];
        foreach ($captions as $caption) {
            array_push($parts, ...self::parts($caption));
        }
        if (count($captions) === 1 || (count($parts) > count($captions) && count($parts) === count($row))) {
            return $parts;
        }
        $lacks = array_filter($row, static fn (SigningLine $one) => $one->under === '');

        return $lacks === [] || count($lacks) === count($row) ? [] : $captions;
    }

    /** @return non-empty-list<string> what a stroke parts; on a scan it is easily lost before a date */
    private static function parts(string $caption): array
    {
        $parts = preg_split('~\s*/\s*~', $caption) ?: [$caption];
        $isLost = count($parts) === 1 && preg_match('/^(.+) (\S+)$/', $caption, $m) === 1 && MarkLabels::isDate($m[2]) &&
            SignerWords::isAll($m[1]);

        return $isLost ? [$m[1], $m[2]] : $parts;
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

        return array_map(CaptionWords::say(...), CaptionWords::runs($row, self::GAP));
    }
}
