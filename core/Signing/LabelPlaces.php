<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Word;

/**
 * Labels that stand after their lines, over them, or behind other words, as if each stood right before its line.
 *
 * @internal to its area
 */
final class LabelPlaces
{
    /**
     * @param list<SigningLine> $lines in rows, from the top
     * @return list<SigningLine>
     */
    public static function beforeAll(array $lines): array
    {
        $lines = array_map(
            static fn (SigningLine $line) => self::isAfter($line, $lines) ? $line->labeled($line->after) : self::afterColon($line),
            $lines,
        );

        return self::underHeads($lines);
    }

    /**
     * "Buyer: ____ Date:" at the end of a row, and its "____" at the beginning of the next: what did not fit.
     *
     * @param list<SigningLine> $lines
     * @param list<Word> $words
     * @return list<SigningLine>
     */
    public static function wrapped(array $lines, array $words): array
    {
        $left = $words === [] ? 0.0 : min(array_map(static fn (Word $word) => $word->x, $words));

        return array_map(static function (SigningLine $line) use ($lines, $words, $left): SigningLine {
            if ($line->before !== '' || $line->isCell() || abs($line->at->place->x - $left) > 6) {
                return $line;
            }
            $row = array_filter($words, static fn (Word $word) => $line->foot() - $word->bottom() > 6 &&
                $line->foot() - $word->bottom() < 30);
            $low = max([0.0, ...array_map(static fn (Word $word) => $word->bottom(), $row)]);
            $rights = [];
            foreach ($lines as $other) {
                abs($other->foot() - $low) < 7 && ($rights[] = $other->right());
            }
            $last = array_filter($row, static fn (Word $word) => $low - $word->bottom() < 4 && $rights !== [] &&
                $word->x > max($rights) - 2);
            usort($last, static fn (Word $a, Word $b) => $a->x <=> $b->x);
            $label = implode(' ', array_map(static fn (Word $word) => $word->text, $last));
            $isOpen = $last !== [] && end($last)->right() > $line->right() && str_ends_with($label, ':') &&
                MarkLabels::companion($label) !== null;

            return $isOpen ? $line->wrapped($label) : $line;
        }, $lines);
    }

    /**
     * "[ ] Agree [ ] Disagree ____ Date ____": what a check box says is not said of the line after it.
     *
     * @param list<SigningLine> $lines
     * @param list<SigningLine> $squares
     * @return list<SigningLine>
     */
    public static function withoutChoices(array $lines, array $squares): array
    {
        return array_map(static function (SigningLine $line) use ($squares): SigningLine {
            $row = array_filter($squares, static fn (SigningLine $one) => $one->isBeside($line) && $one->right() < $line->at->place->x);
            $said = array_filter($row, static fn (SigningLine $one) => $line->before !== '' && str_starts_with($one->after, $line->before));

            if (count($row) < 2 || $said === [] || self::isLabel($line->before) || str_word_count($line->before) > 4) {
                return $line;
            }
            // "[ ] am [ ] pm Buyer: ____".
            $own = (string) preg_replace('/^(?:\W*\b[ap]\.?m\.?(?!\w))+\W*/iu', '', $line->before);

            return self::isLabel($own) ? $line->labeled($own) : (str_word_count($line->before) < 3 ? $line->labeled('') : $line);
        }, $lines);
    }

    /**
     * "____ Buyer ____ Date": nothing is said before a row's first line or under any, and something after each, so what is said of
     * a line stands after it; so it does where it stands in brackets, "Read and approved: ____ (Buyer) ____ (Date)".
     *
     * @param list<SigningLine> $lines
     */
    private static function isAfter(SigningLine $line, array $lines): bool
    {
        $row = self::rowOf($line, $lines);
        $bracketed = 0;
        foreach ($row as $one) {
            if ($one->isCell() || $one->under.$one->at->caption !== '' || ! self::isLabel($one->after)) {
                return false;
            }
            $bracketed += preg_match('/^\([^()]*\)$/u', $one->after);
        }
        // "Copy received: ____ Buyer ____ Date".
        $isLedIn = count($row) > 1 && preg_match('/\p{L}:$/u', $row[0]->before) === 1 && ! self::isLabel($row[0]->before) &&
            SignerWords::in($row[0]->before) === null && ! MarkLabels::isInitials($row[0]->before);
        $isOpen = $row[0]->before === '' || $isLedIn || (count($row) > 1 && MarkLabels::isCross($row[0]->before));

        return $bracketed === count($row) ? count($row) > 1 || $isOpen : $isOpen && $bracketed === 0;
    }

    /** "Received a copy: Buyer ____", "I have read this. Buyer ____": of the words before a line the last ones are its label. */
    private static function afterColon(SigningLine $line): SigningLine
    {
        $last = preg_match('/(?::|\p{L}{3}\.)\s+(\S[^:.]*:?)$/u', $line->before, $m) === 1 ? $m[1] : '';

        return $last !== '' && ! $line->isCell() && SignerWords::isAll($last) && ! MarkLabels::isInitials($line->before)
            ? $line->labeled($last)
            : $line;
    }

    /**
     * "Printed name | Signature | Date" over a row of lines that say nothing themselves, and over those under it.
     *
     * @param list<SigningLine> $lines
     * @return list<SigningLine>
     */
    private static function underHeads(array $lines): array
    {
        $heads = [];
        foreach ($lines as $index => $line) {
            $row = self::rowOf($line, $lines);
            // "Buyer 1 ____ ____": the row may be called by who signs on it.
            $isHeaded = static fn (SigningLine $one): bool => self::isLabel($one->over) && ($one === $row[0]
                ? self::isCalled($one)
                : self::isSilent($one));
            $signs = array_filter($row, static fn (SigningLine $one) => MarkLabels::isSignature($one->over));
            if (count($row) > 1 && $signs !== [] && array_filter($row, $isHeaded) === $row) {
                $heads[$index] = $line;
            }
        }
        foreach ($lines as $index => $line) {
            $head = $heads[$index] ?? null;
            foreach ($head === null && self::isCalled($line) ? $heads : [] as $one) {
                $alike = abs($one->at->place->x - $line->at->place->x) < 4 && abs($one->right() - $line->right()) < 4;
                $down = $line->foot() - $one->foot();
                $alike && $down > 8 && $down < 130 && ($head = $one);
            }
            $isAll = $line->before === '' || SignerWords::in($head->over ?? '')?->role !== null;
            $head === null || ($lines[$index] = $line->labeled($isAll ? $head->over : "{$line->before} {$head->over}"));
        }

        return $lines;
    }

    /** Whether it says nothing, or no more than whose it is. */
    private static function isCalled(SigningLine $line): bool
    {
        return self::isSilent($line) || (SignerWords::isAll($line->before) && ! $line->isCell() &&
            $line->under.$line->after.$line->at->caption === '');
    }

    private static function isSilent(SigningLine $line): bool
    {
        return ! $line->isCell() && $line->before.$line->under.$line->after.$line->at->caption === '';
    }

    /** Whether words say what a line is for, or whose it is. */
    public static function isLabel(string $words): bool
    {
        return SignerWords::isAll($words) || MarkLabels::isSignature($words) || MarkLabels::companion($words) !== null;
    }

    /**
     * @param list<SigningLine> $lines
     * @return non-empty-list<SigningLine> that stand on one row with a line, from the left
     */
    private static function rowOf(SigningLine $line, array $lines): array
    {
        $row = [];
        foreach ($lines as $other) {
            $other !== $line && $other->isBeside($line) && ($row[] = $other);
        }
        $row[] = $line;
        usort($row, static fn (SigningLine $a, SigningLine $b) => $a->at->place->x <=> $b->at->place->x);

        return $row;
    }
}
