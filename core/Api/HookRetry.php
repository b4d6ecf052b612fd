<?php

declare(strict_types=1);

namespace Unanimus\Api;

/** When a call that was not taken is made again: soon at first, then less and less often, for about three days. */
final class HookRetry
{
    private const MINUTES = [1, 5, 30, 120, 360, 1440, 2880];

    /**
     * Seconds to wait after so many tries; null: it is given up.
     *
     * @param int $tried how often it was called so far, at least once
     */
    public static function after(int $tried): ?int
    {
        return isset(self::MINUTES[$tried - 1]) ? 60 * self::MINUTES[$tried - 1] : null;
    }
}
