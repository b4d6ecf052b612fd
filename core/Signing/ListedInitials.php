<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Word;

/**
 * "Purchaser's acknowledgment (initial)" over "____ Purchaser has received the pamphlet.": each statement has a short line or box
 * before it that is initialed.
 *
 * @internal to its area
 */
final class ListedInitials
{
    private const SURE = 0.85;

    /** How far under the heading the first stands, and how far under one the next. */
    private const REACH = 70.0;

    /** What begins so much farther in, in points, belongs to the statement over it. */
    private const INDENT = 20.0;

    /** How wide a column for initials is at most, and how far from its cells a sentence asks for them. */
    private const COLUMN = 76.0;

    private const ASKED = 90.0;

    /**
     * @param list<SigningLine> $lines from the top
     * @param list<Word> $words
     * @param array<int, array{MarkKind, float}> $kinds what is signed and initialed for certain, by the line's place in the list
     * @return array<int, array{MarkKind, float}> with these
     */
    public static function among(array $lines, array $words, array $kinds): array
    {
        $last = null;
        $listed = [];
        foreach ($lines as $index => $line) {
            if (isset($kinds[$index]) || ! self::isBeforeStatement($line)) {
                continue;
            }
            $isNear = $last !== null && $line->foot() - $last->foot() < self::REACH;
            $goesOn = $isNear && abs($last->at->place->x - $line->at->place->x) < 8;
            // "____ (a) Known hazards, check one: (i) ____ none": what is farther in is checked, not initialed.
            $isFartherIn = $isNear && $line->at->place->x > $last->at->place->x + self::INDENT;
            if ($goesOn || (! $isFartherIn && self::isAskedOver($line, $lines, $words))) {
                $listed[$index] = [MarkKind::Initials, self::SURE];
                $last = $line;
                // "____ / ____ I have received the pamphlet.": the one before it, of the first of two.
                $left = $lines[$index - 1] ?? null;
                if ($left !== null && ! isset($kinds[$index - 1]) && self::isPair($left, $line)) {
                    $listed[$index - 1] = [MarkKind::Initials, self::SURE];
                }
            }
        }
        $kinds += $listed + self::inColumns($lines, $words, $kinds);
        ksort($kinds);

        return $kinds;
    }

    /**
     * Narrow cells, or short lines under each other, where a sentence over or under them asks for initials.
     *
     * @param list<SigningLine> $lines
     * @param list<Word> $words
     * @param array<int, array{MarkKind, float}> $kinds
     * @return array<int, array{MarkKind, float}>
     */
    private static function inColumns(array $lines, array $words, array $kinds): array
    {
        $cells = array_filter(
            $lines,
            static fn (SigningLine $line, int $index) => ! isset($kinds[$index]) && (self::isOfColumn($line, $lines) ||
                self::isStacked($line, $lines)),
            ARRAY_FILTER_USE_BOTH,
        );
        $feet = array_map(static fn (SigningLine $line) => $line->foot(), $cells);
        if ($feet === [] || max($feet) - min($feet) < 8) {
            return [];
        }
        $near = array_filter($words, static fn (Word $word) => $word->bottom() > min($feet) - self::ASKED &&
            $word->y < max($feet) + self::ASKED);
        $says = implode(' ', array_map(static fn (Word $word) => $word->text, $near));

        return MarkLabels::isInitials($says) ? array_map(static fn () => [MarkKind::Initials, self::SURE], $cells) : [];
    }

    /**
     * A narrow cell under "Buyer 1", in a row that is called something.
     *
     * @param list<SigningLine> $lines
     */
    private static function isOfColumn(SigningLine $line, array $lines): bool
    {
        return $line->isCell() && $line->at->place->width <= self::COLUMN && SignerWords::isAll($line->over) &&
            SignerWords::in($line->over)?->role !== null && preg_match('/\p{L}/u', LineNeighbors::rowOf($line, $lines)) === 1;
    }

    /**
     * A short line at the end of what is stated, that says nothing itself, and under or over it another like it.
     *
     * @param list<SigningLine> $lines
     */
    private static function isStacked(SigningLine $line, array $lines): bool
    {
        $isOne = static fn (SigningLine $one): bool => ! $one->isCell() && $one->at->place->width >= 16 && $one->at->place->width <= 60 &&
            $one->before.$one->under.$one->after.$one->at->caption === '';
        if (! $isOne($line)) {
            return false;
        }
        foreach ($lines as $other) {
            $isAlike = abs($other->at->place->x - $line->at->place->x) < 3 && abs($other->right() - $line->right()) < 3;
            $far = abs($other->foot() - $line->foot());
            if ($isAlike && $far > 8 && $far < self::REACH && $isOne($other)) {
                return true;
            }
        }

        return false;
    }

    private static function isPair(SigningLine $left, SigningLine $line): bool
    {
        $gap = $line->at->place->x - $left->right();

        return $left->isBeside($line) && $gap > 0 && $gap < 26 && preg_match('/^\W*$/', $left->before.$line->before) === 1 &&
            abs($left->at->place->width - $line->at->place->width) < 4;
    }

    /** Whether nothing but "(c)" or "2." stands before a short line, and a sentence after it. */
    public static function isBeforeStatement(SigningLine $line): bool
    {
        $width = $line->at->place->width;

        return $width >= 14 && $width <= 95 && ! $line->isCell() && $line->at->caption === '' &&
            preg_match('/^\W*(?:[a-z\d]{1,4}[.)])?\W*$/iu', $line->before) === 1 &&
            preg_match('/^(?:\([a-z\d]{1,3}\)\s*)?\p{L}/iu', $line->after) === 1 && str_word_count($line->after) > 2;
    }

    /**
     * Whether a row close over it, that begins no farther right and has no line of its own, asks for initials.
     *
     * @param list<SigningLine> $lines
     * @param list<Word> $words
     */
    private static function isAskedOver(SigningLine $line, array $lines, array $words): bool
    {
        $over = array_filter($words, static fn (Word $word) => $line->foot() - $word->bottom() > 4 &&
            $line->foot() - $word->bottom() < self::REACH);
        foreach ($over as $one) {
            $own = array_filter($lines, static fn (SigningLine $other) => abs($other->foot() - $one->bottom()) < 7);
            if ($own !== [] || ! MarkLabels::isInitials($one->text)) {
                continue;
            }
            $row = array_values(array_filter($over, static fn (Word $word) => abs($word->bottom() - $one->bottom()) < 5));
            usort($row, static fn (Word $a, Word $b) => $a->x <=> $b->x);
            $says = implode(' ', array_map(static fn (Word $word) => $word->text, $row));
            if ($row[0]->x < $line->right() && count($row) <= 14 && MarkLabels::isInitials($says)) {
                return true;
            }
        }

        return false;
    }
}
