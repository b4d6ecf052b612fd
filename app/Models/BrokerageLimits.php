<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Facades\DB;

/** How much a brokerage may have on an installation that it shares. What comes by email or is signed is never kept out by them. */
final class BrokerageLimits
{
    /** @return int|null how many more people may be invited; null: as many as they like */
    public static function peopleLeft(int $brokerageId): ?int
    {
        $most = DB::table('brokerages')->where('id', $brokerageId)->value('most_people');
        $here = $most === null ? 0 : User::query()->where(['brokerage_id' => $brokerageId, 'active' => true, 'guest' => false])->count();

        return $most === null ? null : max(0, (int) $most - $here);
    }

    /** @return int|null gigabytes they may have, when they have them already; null: there is room */
    public static function full(int $brokerageId): ?int
    {
        $most = DB::table('brokerages')->where('id', $brokerageId)->value('most_bytes');

        return $most !== null && (int) DB::table('blobs')->where('brokerage_id', $brokerageId)->sum('size') >= (int) $most
            ? intdiv((int) $most, 1_000_000_000)
            : null;
    }
}
