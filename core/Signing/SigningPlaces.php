<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\FieldKind;
use Unanimus\Pages\PageRules;
use Unanimus\Pages\PdfFields;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Word;
use Unanimus\Pages\WritingPlace;
use Unanimus\Pages\WritingPlaces;

/**
 * The lines, boxes and fields of a page that somebody may sign on, each for itself.
 *
 * @internal to its area
 */
final class SigningPlaces
{
    private const SIGNING = '/sign|initial|acknowledg|\bby\b:?|firma|inicial|^x:?$|^dated?(?:\/time)?:?$|^fecha:?$/iu';

    /** Stands at the end of a line that is signed, and says nothing of it. */
    private const SEAL = '/^[(\[]?(?:SEAL|L\.\s?S\.)[)\]]?$/u';

    /** Feet no farther apart stand on one row. */
    private const ROW = 5.0;

    /**
     * The lines of a page with the words around them, from the top; the words that are there to be read; and its squares.
     *
     * @param list<Word> $words
     * @param list<WritingPlace> $fields those of its form
     * @return array{list<SigningLine>, list<Word>, list<SigningLine>}
     */
    public static function on(array $words, PageRules $rules, array $fields): array
    {
        [$flat, $read] = WritingPlaces::on(LineNumbers::without($words), $rules);
        $read = array_values(array_filter($read, static fn (Word $word) => preg_match(self::SEAL, $word->text) !== 1));
        $flat = self::bracketed($flat, $read);
        $squares = array_filter($flat, static fn (WritingPlace $one) => $one->shape === 'tick');
        $flat = array_filter($flat, static fn (WritingPlace $one) => $one->shape !== 'tick' && ! self::isTaken($one->place, $fields));
        $places = self::dates(self::parted([...$fields, ...self::apart(array_values($flat), $words)], $read));
        $lines = array_map(static fn (WritingPlace $one) => SigningLine::of($one, $places, $read), $places);
        $squares = array_values(array_map(static fn (WritingPlace $one) => SigningLine::of($one, $places, $read), $squares));
        $lines = LabelPlaces::beforeAll(LabelPlaces::withoutChoices(self::withoutHeadings(CaptionRows::inOrder(self::inRows($lines), $read)), $squares));

        return [$lines, $read, $squares];
    }

    /**
     * "(  ) (  ) Buyer's initials": two pairs of brackets beside each other, in a row that speaks of initials, are for these.
     *
     * @param list<WritingPlace> $places
     * @param list<Word> $read
     * @return list<WritingPlace>
     */
    private static function bracketed(array $places, array $read): array
    {
        $pairs = array_filter($places, static fn (WritingPlace $one) => $one->by === 'brackets');
        foreach ($pairs as $index => $one) {
            $row = array_filter($read, static fn (Word $word) => abs($word->y - $one->place->y) < 6);
            usort($row, static fn (Word $a, Word $b) => $a->x <=> $b->x);
            $says = implode(' ', array_map(static fn (Word $word) => $word->text, $row));
            $hasPair = array_filter(
                $pairs,
                static fn (WritingPlace $other) => $other !== $one && abs($other->place->y - $one->place->y) < 3 &&
                    abs($other->place->x - $one->place->x) < 50,
            ) !== [];
            $isFilled = array_filter(
                $places,
                static fn (WritingPlace $other) => $other !== $one && $other->place->overlaps($one->place),
            ) !== [];
            // "[ ] [ ] Buyer(s)  [ ] [ ] Seller(s)".
            $isOfRoles = $row !== [] && array_filter($row, static fn (Word $word) => SignerWords::isAll($word->text)) === $row;
            if ($hasPair && ! $isFilled && count($row) <= 8 && ($isOfRoles || MarkLabels::isInitials($says))) {
                $wide = max(24.0, $one->place->width);
                $middle = $one->place->x + $one->place->width / 2;
                $at = new Rect($middle - $wide / 2, $one->place->y - 2, $wide, $one->place->height + 4);
                $places[$index] = new WritingPlace('line', $at, 'brackets');
            }
        }

        return array_values($places);
    }

    /**
     * From the top, and each row from the left: what stands a little higher or lower, as on a scan, is of one row.
     *
     * @param list<SigningLine> $lines
     * @return list<SigningLine>
     */
    private static function inRows(array $lines): array
    {
        usort($lines, static fn (SigningLine $a, SigningLine $b) => $a->foot() <=> $b->foot());
        $rows = [];
        foreach ($lines as $line) {
            $last = $rows === [] ? null : $rows[count($rows) - 1];
            if ($last !== null && $line->foot() - $last[0]->foot() < self::ROW) {
                $rows[count($rows) - 1][] = $line;
            } else {
                $rows[] = [$line];
            }
        }
        $sorted = [];
        foreach ($rows as $row) {
            usort($row, static fn (SigningLine $a, SigningLine $b) => $a->at->place->x <=> $b->at->place->x);
            array_push($sorted, ...$row);
        }

        return $sorted;
    }

    /**
     * What stands under the last line of a list and over the first of the next is the next one's heading, nobody's caption.
     *
     * @param list<SigningLine> $lines
     * @return list<SigningLine>
     */
    private static function withoutHeadings(array $lines): array
    {
        $overNumbers = array_map(static fn (SigningLine $line) => $line->over, array_filter($lines, LineNeighbors::isNumbered(...)));
        $overBare = array_map(
            static fn (SigningLine $line) => $line->over,
            array_filter($lines, static fn (SigningLine $line) => $line->before === ''),
        );

        return array_map(
            static function (SigningLine $line) use ($lines, $overNumbers, $overBare): SigningLine {
                $isListed = LineNeighbors::isNumbered($line) && $line->before !== '' && in_array($line->under, $overNumbers, true);
                // "Seller(s):" begins the lines under it.
                $isHeading = preg_match('/:\s*$/', $line->under) === 1 && SignerWords::isAll($line->under) &&
                    in_array($line->under, $overBare, true);

                // "Buyer's initials" over the first of a column, and so over each.
                $isOver = MarkLabels::isInitials($line->under) && $line->over === $line->under && self::isHeadedColumn($line, $lines);

                return $isListed || $isHeading || $isOver ? $line->withoutCaption() : $line;
            },
            $lines,
        );
    }

    /** @param  list<SigningLine>  $lines  from the top */
    private static function isHeadedColumn(SigningLine $line, array $lines): bool
    {
        foreach ($lines as $other) {
            if (abs($other->at->place->x - $line->at->place->x) < 4 && in_array($line->under, [$other->under, $other->over], true)) {
                return $other->over === $line->under;
            }
        }

        return false;
    }

    /** @return array<int, list<WritingPlace>> fields that are written or signed in, by page; their names say what they are for */
    public static function fields(PdfLook $look): array
    {
        $found = [];
        foreach (PdfFields::of($look)->all() as $field) {
            if ($field->kind->isTicked() || $field->readOnly) {
                continue;
            }
            $signs = $field->kind === FieldKind::Signature;
            $name = trim($field->label !== '' ? $field->label : (string) preg_replace('/[_\W]+|(?<=[a-z])(?=[A-Z\d])/', ' ', $field->name));
            foreach ($field->widgets as $widget) {
                if ($widget->place !== null && $widget->page > 0) {
                    $caption = $signs && ! MarkLabels::isSignature($name) && ! MarkLabels::isInitials($name) ? "{$name} signature" : $name;
                    $found[$widget->page][] = new WritingPlace('box', $widget->place, 'box', $caption);
                }
            }
        }

        return $found;
    }

    /** @param  list<Word>  $words  Whether a page says anything of signing; where it does not, its lines need no look. */
    public static function speaksOfSigning(array $words): bool
    {
        foreach ($words as $word) {
            if (preg_match(self::SIGNING, $word->text) === 1 || SignerWords::in($word->text) !== null) {
                return true;
            }
        }

        return false;
    }

    /**
     * A long line with "Date" under its right half is two: one to sign, one to date.
     *
     * @param list<WritingPlace> $places
     * @param list<Word> $words
     * @return list<WritingPlace>
     */
    private static function parted(array $places, array $words): array
    {
        $parted = [];
        foreach ($places as $one) {
            $place = $one->place;
            $foot = $place->y + $place->height;
            $date = null;
            foreach ($place->width < 190 ? [] : $words as $word) {
                $under = $word->y > $foot - 3 && $word->y < $foot + 8 && $word->x > $place->x + 0.38 * $place->width;
                $isDate = preg_match('/^\(?dated?\)?[:.]?$/i', $word->text) === 1;
                if ($under && $isDate && $word->right() <= $place->x + $place->width + 4 && ! self::isLabel($word, $places)) {
                    $date = $word;
                }
            }
            if ($date === null) {
                $parted[] = $one;

                continue;
            }
            $at = $date->x - 4;
            $parted[] = new WritingPlace($one->shape, new Rect($place->x, $place->y, $at - $place->x - 4, $place->height), $one->by);
            $parted[] = new WritingPlace($one->shape, new Rect($at, $place->y, $place->x + $place->width - $at, $place->height), $one->by);
        }

        return $parted;
    }

    /**
     * Two short runs of underscores with a space between are two places, as for initials.
     *
     * @param list<WritingPlace> $places
     * @param list<Word> $words
     * @return list<WritingPlace>
     */
    private static function apart(array $places, array $words): array
    {
        $apart = [];
        foreach ($places as $one) {
            $place = $one->place;
            $runs = $one->by !== 'underscores' || $place->width > 200 ? [] : array_values(array_filter(
                $words,
                static fn (Word $word) => preg_match('/^_{3,}[\/|,;.]?$/', $word->text) === 1 &&
                    abs($word->y - $place->y) < 3 &&
                    $word->x > $place->x - 2 &&
                    $word->right() < $place->x + $place->width + 4,
            ));
            if (count($runs) < 2) {
                $apart[] = $one;
            }
            foreach (count($runs) < 2 ? [] : $runs as $run) {
                $apart[] = new WritingPlace('line', new Rect($run->x, $place->y, $run->width, $place->height), 'underscores');
            }
        }

        return $apart;
    }

    /**
     * Two short lines and a longer one close beside each other are a date: month, day and year.
     *
     * @param list<WritingPlace> $places
     * @return list<WritingPlace>
     */
    private static function dates(array $places): array
    {
        $rows = [];
        foreach ($places as $index => $one) {
            $isShort = $one->shape === 'line' && $one->place->width >= 10 && $one->place->width <= 48 && $one->caption === '';
            $isShort && ($rows[] = $index);
        }
        usort($rows, static fn (int $a, int $b) => $places[$a]->place->x <=> $places[$b]->place->x);
        $taken = $dates = [];
        foreach ($rows as $first) {
            $run = [$places[$first]->place];
            $with = [$first];
            foreach ($rows as $next) {
                $gap = $places[$next]->place->x - $run[count($run) - 1]->x - $run[count($run) - 1]->width;
                $level = abs($places[$next]->place->y + $places[$next]->place->height - $run[0]->y - $run[0]->height) < 3;
                if (! in_array($next, $with, true) && $level && $gap > -0.5 && $gap < 9) {
                    $run[] = $places[$next]->place;
                    $with[] = $next;
                }
            }
            if (count($run) !== 3 || array_intersect($with, $taken) !== []) {
                continue;
            }
            [$month, $day, $year] = $run;
            if (abs($month->width - $day->width) < 0.2 * $month->width && $year->width > 1.2 * $day->width) {
                array_push($taken, ...$with);
                $across = $year->x + $year->width - $month->x;
                $dates[] = new WritingPlace('line', new Rect($month->x, $month->y, $across, $month->height), 'underscores', 'Date');
            }
        }

        return [...array_values(array_diff_key($places, array_flip($taken))), ...$dates];
    }

    /** @param  list<WritingPlace>  $places  Whether a word stands right before a place of its own row. */
    private static function isLabel(Word $word, array $places): bool
    {
        foreach ($places as $other) {
            $gap = $other->place->x - $word->right();
            if ($gap > -3 && $gap < 40 && abs($other->place->y + $other->place->height - $word->bottom()) < 9) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<WritingPlace>  $fields */
    private static function isTaken(Rect $place, array $fields): bool
    {
        foreach ($fields as $field) {
            if ($field->place->overlaps($place)) {
                return true;
            }
        }

        return false;
    }
}
