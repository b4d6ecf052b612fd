<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Word;

/**
 * Blanks of a text that look as if somebody signed there, and what stands under a line and belongs to the next.
 *
 * @internal to its area
 */
final class LinesInText
{
    /** So many words or fewer come after the text of a page, with its signatures. */
    private const TAIL = 25;

    /**
     * "Subscribed before me on ____ by ____": a blank of a sentence that goes on after another.
     *
     * @param list<SigningLine> $lines
     */
    public static function isInText(SigningLine $line, array $lines): bool
    {
        foreach ($lines as $other) {
            $gap = $line->at->place->x - $other->right();
            $isNext = $other->isBeside($line) && $gap > 0 && $gap < 40;
            $goesOn = str_word_count($other->before) > 2 || preg_match('/(?:^|\p{L} )(?:on|at|in|to|from)$/iu', $other->before) === 1;
            if ($isNext && $goesOn && SignerWords::in($other->before) === null) {
                return true;
            }
        }

        return false;
    }

    /**
     * "Delivered by: ____ on ____ at ____": a blank of a sentence that goes on after it.
     *
     * @param list<SigningLine> $lines
     */
    public static function goesOnInText(SigningLine $line, array $lines): bool
    {
        foreach ($lines as $other) {
            $gap = $other->at->place->x - $line->right();
            if ($other->isBeside($line) && $gap > 0 && $gap < 40 && preg_match('/^(?:on|at|to|in|from)$/i', $other->before) === 1) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether a blank of a sentence stands over the heading of lines under it: that is no caption of its own.
     *
     * @param list<SigningLine> $lines
     */
    public static function isOverHeading(SigningLine $line, array $lines): bool
    {
        $isText = $line->under !== '' && str_word_count($line->before) > 3 && ! LabelPlaces::isLabel($line->before);
        foreach ($isText ? $lines : [] as $other) {
            if ($other->over === $line->under && $other->foot() > $line->foot() + 8) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether what stands under a line is the label of the next one, and that is no name of who signs on this.
     *
     * @param list<SigningLine> $lines
     */
    public static function isOverOther(SigningLine $line, array $lines): bool
    {
        foreach ($lines as $other) {
            if ($other !== $line && str_ends_with($other->before, $line->below) && $other->foot() > $line->foot() + 20) {
                return ! Companions::isNameUnder($other, $lines) && abs($other->at->place->width - $line->at->place->width) < 12;
            }
        }

        return false;
    }

    /**
     * Whether the row right under a line begins with a date to enter, wherever in the row that stands.
     *
     * @param list<SigningLine> $lines
     */
    public static function isOverDate(SigningLine $line, array $lines): bool
    {
        foreach ($lines as $other) {
            $down = $other->foot() - $line->foot();
            if ($down > 8 && $down < 34) {
                return MarkLabels::isDate($other->before);
            }
        }

        return false;
    }

    /**
     * Where the end of a page begins, at which "Buyer: ____" is signed and not filled in: its lower half, or on a short one what
     * comes after its text.
     *
     * @param list<Word> $words
     */
    public static function end(array $words, float $height): float
    {
        $feet = array_map(static fn (Word $word) => $word->bottom(), $words);
        sort($feet);
        $last = count($feet) < 2 * self::TAIL ? INF : $feet[count($feet) - self::TAIL];

        return min(0.5 * $height, $last);
    }
}
