<?php

declare(strict_types=1);

namespace App\Review\Http;

use App\Models\DealFile;
use Illuminate\Support\Carbon;
use Unanimus\Dates\LocalDate;
use Unanimus\Terms\Kind;

/** The hour by which a review is needed, as it is typed. */
final class NeededBy
{
    /** A day alone means its end of business; null where nothing is typed. */
    public static function read(DealFile $file, string $day, string $time): ?Carbon
    {
        if (trim($day) === '' && trim($time) === '') {
            return null;
        }
        $today = $file->office->today();
        $on = trim($day) === '' ? $today : LocalDate::parse($day, $today);
        $at = trim($time) === '' ? '17:00' : Kind::Time->parse($time, $today);

        return Carbon::parse("{$on->iso()} {$at}", $file->office->zone)->utc();
    }
}
