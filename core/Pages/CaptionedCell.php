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
}
