<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/** Instants as people read them, at the place they are read for. The one place where they are written out. */
final class Moment
{
    /** What Americans call their zones, by what the zone database calls them in winter and in summer. */
    private const ZONES = [
        'EST' => 'ET',
        'EDT' => 'ET',
        'CST' => 'CT',
        'CDT' => 'CT',
        'MST' => 'MT',
        'MDT' => 'MT',
        'PST' => 'PT',
        'PDT' => 'PT',
        'AKST' => 'AKT',
        'AKDT' => 'AKT',
        'HST' => 'HT',
        'HDT' => 'HT',
        'AST' => 'AT',
        'ADT' => 'AT',
        'UTC' => 'UTC',
    ];

    /** In a list: "Fri, Nov 27, 8:51 pm", with the year when it is not the one given. */
    public static function list(\DateTimeInterface $instant, string $zone, int $thisYear): string
    {
        return self::day($instant, $zone, $thisYear).', '.self::time($instant, $zone);
    }

    /** Its day in a list: "Fri, Nov 27", with the year when it is not the one given. */
    public static function day(\DateTimeInterface $instant, string $zone, int $thisYear): string
    {
        $there = self::at($instant, $zone);

        return $there->format((int) $there->format('Y') === $thisYear ? 'D, M j' : 'D, M j, Y');
    }

    /** The time of day: "8:51 pm". */
    public static function time(\DateTimeInterface $instant, string $zone): string
    {
        return self::at($instant, $zone)->format('g:i a');
    }

    /** In a record, to the second and with its zone: "Nov 27, 2026, 8:51:07 pm ET". */
    public static function record(\DateTimeInterface $instant, string $zone): string
    {
        return self::at($instant, $zone)->format('M j, Y, g:i:s a').' '.self::zone($instant, $zone);
    }

    /** In a sentence: "November 27, 2026, 8:51 pm". */
    public static function sentence(\DateTimeInterface $instant, string $zone): string
    {
        return self::at($instant, $zone)->format('F j, Y, g:i a');
    }

    /** What a zone is called where people in two zones meet: "ET"; where nobody has a name for it, how far it is from UTC. */
    public static function zone(\DateTimeInterface $instant, string $zone): string
    {
        $there = self::at($instant, $zone);

        return self::ZONES[$there->format('T')] ?? 'UTC'.$there->format('P');
    }

    private static function at(\DateTimeInterface $instant, string $zone): \DateTimeImmutable
    {
        return \DateTimeImmutable::createFromInterface($instant)->setTimezone(new \DateTimeZone($zone));
    }
}
