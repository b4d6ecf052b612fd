<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * How far a page must be turned to stand upright, by the direction in which its words follow each other.
 */
final class PageTurn
{
    /** Words that must agree. */
    private const ENOUGH = 4;

    /**
     * @param list<Word> $words in the order in which they are read
     * @return int degrees clockwise: 0, 90, 180 or 270; 0 too where the words do not tell
     */
    public static function ofWords(array $words): int
    {
        $steps = [0 => 0, 90 => 0, 180 => 0, 270 => 0];
        for ($index = 1; $index < count($words); $index++) {
            [$from, $to] = [$words[$index - 1], $words[$index]];
            if (abs($from->bottom() - $to->bottom()) < 3 && abs($from->y - $to->y) < 3) {
                $steps[$to->x > $from->x ? 0 : 180]++;
            } elseif (abs($from->x - $to->x) < 3 && abs($from->right() - $to->right()) < 3) {
                // Words that go down the page stand on their left side: a quarter turn back sets them upright.
                $steps[$to->y > $from->y ? 270 : 90]++;
            }
        }
        arsort($steps);
        $turn = (int) array_key_first($steps);

        return $steps[$turn] >= self::ENOUGH && $steps[$turn] > 2 * (array_sum($steps) - $steps[$turn]) ? $turn : 0;
    }
}
