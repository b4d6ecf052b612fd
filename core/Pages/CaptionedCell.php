<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A cell with a few short captions, one below the other, and room under each: it is as many places.
 *
 * @internal to its area
 */
final class CaptionedCell
{
    /** Two places in cells beside each other stand no farther apart. */
    private const WALL = 6.0;

    /** A label has less room under it than this, of what it takes itself. */
    private const LESS = 1.25;

    /** Print lower than this, beside most of the page, is a caption's. */
    private const SMALL = 0.85;

    /** So far up and down a table's column is looked along. */
    private const TABLE = 160.0;

    /** How far apart, in points, words of one row stand at most in height. */
    private const ROW = 4.0;

    /** How many words a caption has at most. */
    private const WORDS = 5;

    /** The least room under a caption, and how far in it may stand. */
    private const ROOM = 11.0;

    private const INDENT = 14.0;

    /**
     * The places of a cell, from the top; none where it has but one, or is filled with text.
     *
     * @param non-empty-list<Word> $inside
     * @return list<WritingPlace>
     */
    public static function places(Rect $frame, array $inside): array
    {
        usort($inside, static fn (Word $a, Word $b) => [$a->y, $a->x] <=> [$b->y, $b->x]);
        $rows = [];
        foreach ($inside as $word) {
            $last = array_key_last($rows);
            if ($last !== null && abs($rows[$last][0]->y - $word->y) < self::ROW) {
                $rows[$last][] = $word;
            } else {
                $rows[] = [$word];
            }
        }
        $bands = [];
        foreach ($rows as $index => $row) {
            $top = max(array_map(static fn (Word $word) => $word->bottom(), $row));
            $foot = isset($rows[$index + 1]) ? $rows[$index + 1][0]->y : $frame->y + $frame->height;
            $left = min(array_map(static fn (Word $word) => $word->x, $row));
            if (count($row) > self::WORDS || $foot - $top < self::ROOM || $left > $frame->x + self::INDENT) {
                return [];
            }
            $caption = implode(' ', array_map(static fn (Word $word) => $word->text, $row));
            $bands[] = new WritingPlace('box', new Rect($frame->x + 1.5, $top, $frame->width - 3, $foot - $top - 1.5), 'box', $caption);
        }

        return count($bands) > 1 ? $bands : [];
    }

    /**
     * In a table whose rows are called something, the empty cell beside a label is written in, not what room there is under the label.
     *
     * @param array<int, WritingPlace> $places
     * @param list<Word> $words of the page
     * @return list<WritingPlace>
     */
    public static function besideLabels(array $places, array $words): array
    {
        $heights = array_map(static fn (Word $word) => $word->height, $words);
        sort($heights);
        $print = $heights[intdiv(count($heights), 2)] ?? 0.0;
        foreach ($places as $index => $label) {
            // Over empty cells it is the heading of a column.
            if ($label->by !== 'box' || $label->caption === '' || self::hasInColumn($label, $places, false)) {
                continue;
            }
            foreach ($places as $at => $cell) {
                $gap = $cell->place->x - $label->place->x - $label->place->width;
                $foot = $cell->place->y + $cell->place->height - $label->place->y - $label->place->height;
                $isEmpty = $cell->by === 'cell' && $cell->caption === '';
                if (! $isEmpty || $gap <= -1 || $gap >= self::WALL || abs($foot) >= 1.5) {
                    continue;
                }
                // Small print with more room under it is a caption of its own box.
                $low = self::lowest($label, $places);
                $less = self::isSmall($label, $cell->place->y, $words, $print) ? 1.0 : self::LESS;
                $isRoomy = $label->place->y + $label->place->height - $low > $less * ($low - $cell->place->y);
                if (! $isRoomy && ! self::hasInColumn($cell, $places, true)) {
                    $places[$at] = new WritingPlace($cell->shape, $cell->place, $cell->by, $label->caption);
                    unset($places[$index]);
                    break;
                }
            }
        }

        return array_values($places);
    }

    /**
     * Whether a label is set smaller than what most of the page is.
     *
     * @param list<Word> $words
     */
    private static function isSmall(WritingPlace $label, float $top, array $words, float $print): bool
    {
        $own = array_filter($words, static fn (Word $word) => $word->y > $top - 2 && $word->bottom() < $label->place->y + 1 &&
            $word->x > $label->place->x - 2 && $word->right() < $label->place->x + $label->place->width + 2);

        return $own !== [] && array_sum(array_map(static fn (Word $word) => $word->height, $own)) < self::SMALL * $print * count($own);
    }

    /**
     * How far down the captions of a row reach: not each has letters that go under the line.
     *
     * @param array<int, WritingPlace> $places
     */
    private static function lowest(WritingPlace $label, array $places): float
    {
        $foot = $label->place->y + $label->place->height;
        $row = array_filter($places, static fn (WritingPlace $other) => $other->by === 'box' && $other->caption !== ''
            && abs($other->place->y + $other->place->height - $foot) < 1.5);

        return max([$label->place->y, ...array_map(static fn (WritingPlace $one) => $one->place->y, $row)]);
    }

    /**
     * Whether other cells of its column hold what they are called themselves, as then this one did, or hold nothing.
     *
     * @param array<int, WritingPlace> $places
     */
    private static function hasInColumn(WritingPlace $cell, array $places, bool $captions): bool
    {
        foreach ($places as $other) {
            $isColumn = abs($other->place->x - $cell->place->x) < 4 && abs($other->place->width - $cell->place->width) < 6;
            $isSuch = $captions ? $other->by === 'box' && $other->caption !== '' : $other->by === 'cell' && $other->caption === '';
            if ($other !== $cell && $isSuch && $isColumn && abs($other->place->y - $cell->place->y) < self::TABLE) {
                return true;
            }
        }

        return false;
    }
}
