<?php

declare(strict_types=1);

namespace App\Bench;

/** Takes the time of work. */
final class Clock
{
    public const ROUNDS = 15;

    /** Runs that bring every worker of the application to where it stands after a minute's work. */
    public const WARM = 60;

    /**
     * Milliseconds at the median.
     *
     * @param int $before runs before that, which are not counted
     */
    public static function median(callable $work, int $times = self::ROUNDS, int $before = 1): float
    {
        for ($i = 0; $i < $before; $i++) {
            $work();
        }
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
