<?php

declare(strict_types=1);

namespace App\Terms;

use Unanimus\Dates\Moment;

/** Instants as pages show them: this year's without the year. */
final class When
{
    /** "Fri, Nov 27, 8:51 pm" */
    public static function list(\DateTimeInterface $instant, string $zone): string
    {
        return Moment::list($instant, $zone, self::year($zone));
    }

    /** "Fri, Nov 27" */
    public static function day(\DateTimeInterface $instant, string $zone): string
    {
        return Moment::day($instant, $zone, self::year($zone));
    }

    private static function year(string $zone): int
    {
        return now($zone)->year;
    }
}
