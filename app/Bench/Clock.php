<?php

declare(strict_types=1);

namespace App\Bench;

/** Takes the time of work. */
final class Clock
{
    public const ROUNDS = 25;

    /** Runs that bring every worker of the application to where it stands after a minute's work. */
    public const WARM = 60;

    /**
     * Milliseconds at the median.
     *
     * @param int $before runs before that, which are not counted
     */
    public static function median(callable $work, int $times = self::ROUNDS, int $before = 1): float
    {
        return self::beside($work, null, $times, $before)[0];
    }

    /**
     * Milliseconds at the median of some work and of its floor, taken in turns, so that a slow moment of the machine falls on both.
     *
     * @param int $before runs before that, which are not counted
     * @return array{float, float}
     */
    public static function beside(callable $work, ?callable $floor, int $times = self::ROUNDS, int $before = 1): array
    {
        for ($i = 0; $i < $before; $i++) {
            $work();
            $floor === null || $floor();
        }
        $costs = [[], []];
        for ($i = 0; $i < $times; $i++) {
            $costs[0][] = self::cost($work);
            $floor === null || ($costs[1][] = self::cost($floor));
        }

        return [self::middle($costs[0]), self::middle($costs[1])];
    }

    private static function cost(callable $work): float
    {
        $start = hrtime(true);
        $work();

        return (hrtime(true) - $start) / 1e6;
    }

    /** @param  list<float>  $costs */
    private static function middle(array $costs): float
    {
        sort($costs);

        return $costs[intdiv(count($costs), 2)] ?? 0.0;
    }
}
