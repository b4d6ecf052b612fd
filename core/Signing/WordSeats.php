<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Rect;

/**
 * Whose each place of a word is, once it was said who the word means: of places of one kind beside or under each other the first
 * is theirs, the next the next person's in that role; where a new block begins it is theirs again.
 */
final class WordSeats
{
    /** So far under one place, in points, the next of its kind stands for the next person. */
    private const UNDER = ['initials' => 40.0];

    private const BLOCK = 120.0;

    /** Feet no farther apart stand on one row. */
    private const ROW = 7.0;

    /**
     * @param array<int, array{kind: string, page: int, place: Rect}> $places of one word on one paper
     * @param Seat $said who it was said to be
     * @param list<Seat> $taken seats that somebody has
     * @return array<int, Seat|null> whose each is, by its key; null: of more people than there are
     */
    public static function of(array $places, Seat $said, array $taken): array
    {
        $people = array_values(array_filter(
            $taken,
            static fn (Seat $seat) => $seat->role === $said->role && $seat->number > $said->number,
        ));
        usort($people, static fn (Seat $a, Seat $b) => $a->number <=> $b->number);
        $people = [$said, ...$people];
        $whose = [];
        $before = null;
        $nth = 0;
        foreach (self::inOrder($places) as $key => $one) {
            $nth = $before !== null && self::isNext($before, $one) ? $nth + 1 : 0;
            // Of somebody who is alone in their role every place is theirs.
            $whose[$key] = count($people) === 1 ? $said : $people[$nth] ?? null;
            $before = $one;
        }

        return $whose;
    }

    /**
     * Each kind and page for itself, from the top, and each row from the left: what stands a little higher, as on a scan, is of one row.
     *
     * @param array<int, array{kind: string, page: int, place: Rect}> $places
     * @return array<int, array{kind: string, page: int, place: Rect}>
     */
    private static function inOrder(array $places): array
    {
        uasort($places, static fn (array $a, array $b) => [$a['kind'], $a['page'], self::foot($a)] <=>
            [$b['kind'], $b['page'], self::foot($b)]);
        $rows = [];
        $first = null;
        foreach ($places as $key => $one) {
            $isSame = $first !== null && [$first['kind'], $first['page']] === [$one['kind'], $one['page']] &&
                self::foot($one) - self::foot($first) < self::ROW;
            $isSame || ($first = $one);
            $isSame ? $rows[count($rows) - 1][$key] = $one : $rows[] = [$key => $one];
        }
        $ordered = [];
        foreach ($rows as $row) {
            uasort($row, static fn (array $a, array $b) => $a['place']->x <=> $b['place']->x);
            $ordered += $row;
        }

        return $ordered;
    }

    /**
     * @param array{kind: string, page: int, place: Rect} $before
     * @param array{kind: string, page: int, place: Rect} $one
     */
    private static function isNext(array $before, array $one): bool
    {
        return $before['kind'] === $one['kind'] && $before['page'] === $one['page'] &&
            self::foot($one) - self::foot($before) < (self::UNDER[$one['kind']] ?? self::BLOCK);
    }

    /** @param  array{kind: string, page: int, place: Rect}  $one */
    private static function foot(array $one): float
    {
        return $one['place']->y + $one['place']->height;
    }
}
