<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Rect;
use Unanimus\Pages\Word;
use Unanimus\Pages\WritingPlace;

/**
 * The words under and over a place that are its own: neither another's label nor another column's text.
 *
 * @internal to its area
 */
final class CaptionWords
{
    /** Wider than between two words of one caption. */
    private const GAP = 24.0;

    private const APART = 6.0;

    /**
     * Words without those that stand in boxes farther down and are those boxes' own.
     *
     * @param list<WritingPlace> $all
     * @param list<Word> $words
     * @return list<Word>
     */
    public static function withoutOthers(Rect $place, array $all, array $words): array
    {
        $foot = $place->y + $place->height;
        $boxes = array_filter(
            $all,
            static fn (WritingPlace $other) => $other->by === 'box' && $other->caption !== '' && $other->place->y > $foot,
        );
        if ($boxes === []) {
            return $words;
        }

        return array_values(array_filter($words, static function (Word $word) use ($boxes): bool {
            foreach ($boxes as $box) {
                $isIn = $word->x > $box->place->x - 2 && $word->right() < $box->place->x + $box->place->width + 2;
                if ($isIn && $word->bottom() <= $box->place->y + 3 && $word->y > $box->place->y - 16) {
                    return false;
                }
            }

            return true;
        }));
    }

    /**
     * A row of words without those that stand right before a place on that row, and are its label, or right after it.
     *
     * @param list<Word> $row
     * @param array<WritingPlace> $places
     * @return list<Word>
     */
    public static function withoutLabels(array $row, array $places, Rect $own): array
    {
        usort($row, static fn (Word $a, Word $b) => $a->x <=> $b->x);
        foreach ($places as $other) {
            $label = [];
            $edge = $other->place->x;
            foreach (array_reverse(array_keys($row)) as $at) {
                $gap = $edge - $row[$at]->right();
                if ($gap < -3) {
                    continue;
                }
                // Words that go on to the left belong to it, unless what is nearer says enough by itself.
                $said = implode(' ', array_map(static fn (int $one) => $row[$one]->text, array_reverse($label)));
                $isEnough = MarkLabels::companion($said) !== null || MarkLabels::isSignature($said);
                // "(agent signature)" is said as a whole.
                $isOpen = substr_count($said, ')') > substr_count($said, '(');
                // "Print name:" is one label, though "name:" would do.
                $isOne = $gap < 7.0 && MarkLabels::companion("{$row[$at]->text} {$said}") !== null;
                if ($gap > ($label === [] ? 60.0 : 12.0) || ($isEnough && ! $isOpen && ! $isOne && ! str_starts_with($said, '('))) {
                    break;
                }
                $label[] = $at;
                $edge = $row[$at]->x;
            }
            $row = array_values(array_diff_key($row, array_flip($label)));
            $row = self::withoutAfter($row, $other->place, $own);
        }

        return $row;
    }

    /**
     * @param list<Word> $row from the left
     * @return list<Word> without what is said right after a place
     */
    private static function withoutAfter(array $row, Rect $place, Rect $own): array
    {
        $edge = $place->x + $place->width;
        $after = [];
        foreach ($row as $at => $word) {
            $gap = $word->x - $edge;
            // What begins right under it is its own all the same.
            if ($gap > -3 && $gap < ($after === [] ? 18.0 : 12.0) && abs($word->x - $own->x) > 4) {
                $after[] = $at;
                $edge = $word->right();
            }
        }

        return array_values(array_diff_key($row, array_flip($after)));
    }

    /** Whether a word stands over or under a place, if only in part. */
    public static function isOver(Word $word, Rect $place): bool
    {
        return $word->x < $place->x + $place->width && $word->right() > $place->x - 2;
    }

    /**
     * Words over or under it, up to a gap; a row that goes on beyond it as a sentence does is none of its words.
     *
     * @param list<Word> $words
     */
    public static function band(Rect $place, array $words, float $top, float $bottom): string
    {
        $row = array_filter(
            $words,
            static fn (Word $word) => $word->y + $word->height / 2 > $top && $word->y + $word->height / 2 < $bottom,
        );
        usort($row, static fn (Word $a, Word $b) => $a->x <=> $b->x);
        if (self::overlap($row)) {
            usort($row, static fn (Word $a, Word $b) => [round($a->y / 3), $a->x] <=> [round($b->y / 3), $b->x]);
        }
        $runs = self::runs($row, self::GAP, $place->x);
        // What stands in another column of the page is none of its words.
        foreach ($runs as $run) {
            $taken = array_filter($run, static fn (Word $word) => self::isOver($word, $place));
            if ($taken !== []) {
                return count($run) > SigningLine::MOST_WORDS ? '' : self::say(array_values($taken));
            }
        }

        return '';
    }

    /**
     * Whether words from the left stand over each other, and are two rows.
     *
     * @param list<Word> $words
     */
    private static function overlap(array $words): bool
    {
        foreach ($words as $at => $word) {
            if ($at > 0 && $word->x < $words[$at - 1]->right() - 2) {
                return true;
            }
        }

        return false;
    }

    /**
     * Words of one row, from the left, in runs with gaps between.
     *
     * @param list<Word> $row
     * @param float|null $column a word that begins there, apart from those before it, begins a run as well
     * @return list<non-empty-list<Word>>
     */
    public static function runs(array $row, float $gap, ?float $column = null): array
    {
        $runs = $run = [];
        foreach ($row as $word) {
            $apart = $run === [] ? 0.0 : $word->x - $run[count($run) - 1]->right();
            if ($run !== [] && ($apart > $gap || ($column !== null && $apart > self::APART && abs($word->x - $column) < 2.5))) {
                $runs[] = $run;
                $run = [];
            }
            $run[] = $word;
        }

        return $run === [] ? $runs : [...$runs, $run];
    }

    /** @param  list<Word>  $words  What they say, one after the other. */
    public static function say(array $words): string
    {
        return implode(' ', array_map(static fn (Word $word) => $word->text, $words));
    }
}
