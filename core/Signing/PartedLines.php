<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Rect;
use Unanimus\Pages\Word;
use Unanimus\Pages\WritingPlace;

/**
 * Lines that are more than one place, and short ones that together are one: a rule over "Signature   Date", month, day and year.
 *
 * @internal to its area
 */
final class PartedLines
{
    /** A shorter line is one place. */
    private const LONG = 150.0;

    /** Words farther apart are two captions. */
    private const GAP = 14.0;

    /** How far in, in points, the first caption of a parted line may begin. */
    private const INDENT = 12.0;

    /**
     * The places of a page with each that is parted in its parts.
     *
     * @param list<WritingPlace> $fields those of its form, which are what they are
     * @param list<WritingPlace> $flat
     * @param list<Word> $words
     * @param list<Word> $read those words that are no underscores
     * @return list<WritingPlace>
     */
    public static function of(array $fields, array $flat, array $words, array $read): array
    {
        $places = [...$fields, ...self::apart($flat, $words)];
        $captioned = [];
        foreach ($places as $one) {
            array_push($captioned, ...self::byCaptions($one, $places, $read));
        }

        return self::dates(self::parted($captioned, $read));
    }

    /**
     * A long line with two or more captions under it, of which the first begins where it does, is as many places: "Date  Time
     * Signature of seller". On a scan what stands close together runs into one.
     *
     * @param list<WritingPlace> $places
     * @param list<Word> $words
     * @return list<WritingPlace>
     */
    private static function byCaptions(WritingPlace $one, array $places, array $words): array
    {
        $place = $one->place;
        $right = $place->x + $place->width;
        if ($place->width < self::LONG || $one->shape !== 'line') {
            return [$one];
        }
        $foot = $place->y + $place->height;
        $under = array_filter($words, static fn (Word $word) => $word->y > $foot - 3 && $word->y < $foot + 8 &&
            $word->x > $place->x - 4 && $word->right() < $right + 4 && ! self::isLabel($word, $places));
        usort($under, static fn (Word $a, Word $b) => $a->x <=> $b->x);
        $captions = CaptionWords::runs($under, self::GAP);
        $asked = array_filter(array_map(CaptionWords::say(...), $captions), LabelPlaces::isLabel(...));
        if (count($captions) < 2 || $captions[0][0]->x > $place->x + self::INDENT || count($asked) < count($captions)) {
            return [$one];
        }
        $parts = [];
        foreach ($captions as $nth => [$first]) {
            $from = $nth === 0 ? $place->x : $first->x - 4;
            $to = isset($captions[$nth + 1]) ? $captions[$nth + 1][0]->x - 8 : $right;
            $parts[] = new WritingPlace($one->shape, new Rect($from, $place->y, $to - $from, $place->height), $one->by);
        }

        return $parts;
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
}
