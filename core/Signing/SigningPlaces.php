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
    private const SEAL = '/^(?:SEAL|L\.\s?S\.|[(\[](?i:seal|L\.?\s?S\.?)[)\]])$/u';

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
        $places = PartedLines::of($fields, array_values($flat), $words, $read);
        $lines = array_map(static fn (WritingPlace $one) => SigningLine::of($one, $places, $read), $places);
        $squares = array_values(array_map(static fn (WritingPlace $one) => SigningLine::of($one, $places, $read), $squares));
        $lines = self::withoutHeadings(CaptionRows::inOrder(self::inRows($lines), $read));
        $lines = LabelPlaces::beforeAll(LabelPlaces::wrapped(LabelPlaces::withoutChoices($lines, $squares), $read));

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

                // "Quillmark Realty, Broker" over "By: ____".
                $isFirm = $line->under !== '' && ! SignerWords::isAll($line->under) && array_filter(
                    $lines,
                    static fn (SigningLine $other) => LineNeighbors::isBy($other->before) && $other->over === $line->under &&
                        $other->foot() > $line->foot(),
                ) !== [];

                // "Buyer's initials" over the first of a column, and so over each.
                $isOver = (MarkLabels::isInitials($line->under) && $line->over === $line->under && self::isHeadedColumn($line, $lines)) ||
                    ($line->under !== '' && self::isUnderHeads($line, $lines));

                // "AGENT" under the last of "X ____ X ____", and over the next "X ____".
                $isNext = SignerWords::isAll($line->under) && MarkLabels::isCross($line->before) && array_filter(
                    $lines,
                    static fn (SigningLine $other) => $other->over === $line->under && $other->foot() > $line->foot() &&
                        $other->under === '' && MarkLabels::isCross($other->before),
                ) !== [];

                return $isListed || $isHeading || $isFirm || $isNext || $isOver ? $line->withoutCaption() : $line;
            },
            $lines,
        );
    }

    /**
     * "Signature of buyer" over the first of a column, and nothing under its last: what stands between is over the next line, not
     * under the one before.
     *
     * @param list<SigningLine> $lines from the top
     */
    private static function isUnderHeads(SigningLine $line, array $lines): bool
    {
        $column = array_values(array_filter(
            $lines,
            static fn (SigningLine $other) => ! $other->isCell() && $other->before === '' &&
                abs($other->at->place->x - $line->at->place->x) < 4 && abs($other->right() - $line->right()) < 10,
        ));
        $at = (int) array_search($line, $column, true);
        $isNext = static fn (int $one): bool => isset($column[$one], $column[$one + 1]) && $column[$one]->under !== '' &&
            $column[$one]->under === $column[$one + 1]->over;
        if (! $isNext($at)) {
            return false;
        }
        for ($first = $at; $isNext($first - 1); $first--);
        for ($last = $at; $isNext($last); $last++);

        $isHeaded = LabelPlaces::isLabel($column[$first]->over) || ($column[0]->under === '' && LabelPlaces::isLabel($column[0]->over));

        return $isHeaded && $column[$last]->under === '';
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
            // "Buyer1PrintedName".
            $parts = preg_replace('/[_\W]+|(?<=[a-z])(?=[A-Z\d])|(?<=\d)(?=[A-Z])/', ' ', $field->name);
            $name = trim($field->label !== '' ? $field->label : (string) $parts);
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
