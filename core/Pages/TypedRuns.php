<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Lines to write on that are typed: underscores and dots, also set apart ("_ _ _ _", ". . . ."), and dashes beside a label.
 *
 * @internal to its area
 */
final class TypedRuns
{
    /** What is written on: a date's three blanks, which are one; underscores; dots. */
    private const RUNS = '_{1,8}\/_{1,8}\/_{2,10}|_{3,}|\.{7,}|…{3,}';

    /** Signs that make a line where they are set apart, and where they are not. */
    private const SIGN = '/^([_.\-–—―·])\1{0,2}$/u';

    private const DASHES = '/^(?:-{6,}|[–—―]{3,}|·{6,})$/u';

    /** The fewest signs set apart, and how far apart they are at most, of their height. */
    private const FEWEST = 6;

    private const APART = 0.8;

    /** A longer row of dashes parts what stands over it from what stands under. */
    private const LONGEST = 340.0;

    /**
     * Parts what is typed to be written on from the words around it.
     *
     * @param list<Word> $words
     * @return array{list<WritingPlace>, list<Word>} the lines, and the words without them
     */
    public static function in(array $words): array
    {
        $places = $read = [];
        $last = null;
        foreach (self::plain($words) as $word) {
            if (preg_match('/'.self::RUNS.'/u', $word->text) !== 1) {
                $read[] = $word;

                continue;
            }
            $wide = max(0.01, Typeface::width($word->text, 1.0));
            $x = $word->x;
            foreach (
                preg_split('/('.self::RUNS.')/u', $word->text, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [] as $part
            ) {
                $width = max(0.1, (Typeface::width($part, 1.0) / $wide) * $word->width);
                if (preg_match('/^(?:'.self::RUNS.')$/u', $part) !== 1) {
                    $read[] = new Word($part, $x, $word->y, $width, $word->height);
                } elseif (str_contains($part, '/')) {
                    $places[] = new WritingPlace('line', new Rect($x, $word->y, $width, $word->height), 'underscores', 'Date');
                    $last = null;
                } elseif (
                    $last !== null &&
                    abs($places[$last]->place->y - $word->y) < 2 &&
                    abs($places[$last]->place->x + $places[$last]->place->width - $x) < 4
                ) {
                    $before = $places[$last]->place;
                    array_splice($places, $last, 1, [
                        new WritingPlace(
                            'line',
                            new Rect($before->x, $before->y, $x + $width - $before->x, $before->height),
                            'underscores',
                        ),
                    ]);
                } elseif ($width >= 8) {
                    $places[] = new WritingPlace('line', new Rect($x, $word->y, $width, $word->height), 'underscores');
                    $last = array_key_last($places);
                }
                $x += $width;
            }
        }

        return [$places, $read];
    }

    /**
     * The words with each row of other signs as underscores.
     *
     * @param list<Word> $words
     * @return list<Word>
     */
    private static function plain(array $words): array
    {
        $plain = [];
        for ($at = 0, $count = count($words); $at < $count; $at++) {
            $first = $words[$at];
            $sign = preg_match(self::SIGN, $first->text, $m) === 1 ? $m[1] : '';
            $end = $at;
            while ($sign !== '' && isset($words[$end + 1]) && self::goesOn($words[$end], $words[$end + 1], $sign)) {
                $end++;
            }
            $last = $words[$end];
            $signs = implode('', array_map(static fn (Word $one) => $one->text, array_slice($words, $at, $end - $at + 1)));
            $isApart = $end > $at + 1 && mb_strlen($signs) >= self::FEWEST;
            $isDashes = preg_match(self::DASHES, $first->text) === 1 || ($isApart && ! in_array($sign, ['_', '.'], true));
            $width = $last->right() - $first->x;
            $isLine = $isDashes
                ? $width <= self::LONGEST && self::isLabelled($first, $last, $words)
                // Dots that lead to the number of a page are none.
                : $isApart && ! self::leads($last, $words[$end + 1] ?? null);
            if ($isLine) {
                $plain[] = new Word(str_repeat('_', max(3, $end - $at + 1)), $first->x, $first->y, $width, $first->height);
                $at = $end;
            } else {
                $plain[] = $first;
            }
        }

        return $plain;
    }

    private static function goesOn(Word $word, Word $next, string $sign): bool
    {
        return str_starts_with($next->text, $sign) && preg_match(self::SIGN, $next->text) === 1 && abs($next->y - $word->y) < 2 &&
            $next->x > $word->x && $next->x - $word->right() < self::APART * $word->height;
    }

    private static function leads(Word $last, ?Word $next): bool
    {
        return $next !== null && abs($next->bottom() - $last->bottom()) < 4 && $next->x > $last->x &&
            preg_match('/^(?:\d{1,3}|[ivxl]{1,6})$/i', $next->text) === 1;
    }

    /**
     * Whether words stand beside it on its row.
     *
     * @param list<Word> $words
     */
    private static function isLabelled(Word $first, Word $last, array $words): bool
    {
        foreach ($words as $word) {
            $isBeside = $word->right() <= $first->x + 1 || $word->x >= $last->right() - 1;
            if ($isBeside && abs($word->y - $first->y) < 4 && preg_match('/\p{L}{2}/u', $word->text) === 1) {
                return true;
            }
        }

        return false;
    }
}
