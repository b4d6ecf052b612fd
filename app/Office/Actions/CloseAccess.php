<?php

declare(strict_types=1);

namespace App\Office\Actions;

use App\Access\RememberedDevices;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Ends everything by which a person comes in, at once: devices, sessions, calendars, tokens and webhooks. What they made stays. */
final class CloseAccess
{
    public static function of(User $user): void
    {
        $user->update(['active' => false]);
        RememberedDevices::forget($user);
        DB::table('users')->where('id', $user->id)->update(['calendar_version' => $user->calendar_version + 1]);
        DB::table('sessions')->where('user_id', $user->id)->delete();
        // Opened again, the person makes new ones.
        DB::select('SELECT end_programs_of(?)', [$user->id]);
    }
}
