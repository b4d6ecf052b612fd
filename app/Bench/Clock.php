<?php

declare(strict_types=1);

namespace App\Bench;

/** Takes the time of work. */
final class Clock
{
    public const ROUNDS = 15;

    /** Milliseconds at the median, after one run that is not counted. */
    public static function median(callable $work, int $times = self::ROUNDS): float
    {
        $work();
        $costs = [];
        for ($i = 0; $i < $times; $i++) {
            $start = hrtime(true);
            $work();
            $costs[] = (hrtime(true) - $start) / 1e6;
        }
        sort($costs);

        return $costs[intdiv($times, 2)];
    }
}
