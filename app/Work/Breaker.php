<?php

declare(strict_types=1);

namespace App\Work;

use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Keeps work from an outside service that is down: after a few failures in a row nobody tries for a while, each time longer.
 */
final class Breaker
{
    private const PATIENCE = 3;

    /** Until when nobody tries; null when the service may be asked. */
    public static function openUntil(string $service): ?Carbon
    {
        $until = DB::table('service_breakers')->where('name', $service)->where('open_until', '>', now())->value('open_until');

        return $until === null ? null : Carbon::parse((string) $until);
    }

    public static function failed(string $service, string $fault): void
    {
        DB::insert(
            "INSERT INTO service_breakers (name, fails, fault) VALUES (?, 1, ?) ON CONFLICT (name) DO UPDATE
                SET fault = excluded.fault, fails = service_breakers.fails + 1,
                open_until = CASE WHEN service_breakers.fails + 1 >= ? THEN clock_timestamp() + least(600,
                    15 * power(2, least(10, service_breakers.fails + 1 - ?))) * interval '1 second' END",
            [$service, mb_substr($fault, 0, 300), self::PATIENCE, self::PATIENCE],
        );
    }

    /** Lets one try through at once, because a person asks for it. */
    public static function letTry(string $service): void
    {
        DB::table('service_breakers')->where('name', $service)->update(['open_until' => null]);
    }

    public static function answered(string $service): void
    {
        DB::table('service_breakers')
            ->where('name', $service)
            ->where('fails', '>', 0)
            ->update(['fails' => 0, 'open_until' => null, 'fault' => null]);
    }
}
