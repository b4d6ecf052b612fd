<?php

declare(strict_types=1);

namespace App\Office\Actions;

use App\Access\RememberedDevices;
use App\History\History;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** A person's own sign-in: their password, and where they are signed in. */
final class KeepAccount
{
    /** Changes the password and signs every other device out. @param  string  $here  the session that goes on */
    public function changePassword(User $user, string $password, string $here): void
    {
        DB::table('users')
            ->where('id', $user->id)
            ->update(['password' => Hash::make($password)]);
        RememberedDevices::forget($user);
        DB::table('sessions')->where('user_id', $user->id)->where('id', '<>', $here)->delete();
        History::ofBrokerage($user->brokerage_id, 'Password changed', ['person' => $user->name]);
    }

    /** Gives a person another address for papers; what goes to the old one is for nobody in particular. */
    public function renewMail(User $user): void
    {
        $user->update(['mail_code' => (string) DB::scalar('SELECT new_mail_code()')]);
        History::ofBrokerage($user->brokerage_id, 'Address for papers renewed', ['person' => $user->name]);
    }

    /** Whether single keys do something; for those whom they get in the way. */
    public function useSingleKeys(User $user, bool $on): void
    {
        $user->update(['single_keys' => $on]);
    }

    /** Ends every session of a person, on every device. */
    public function signOutEverywhere(User $user): void
    {
        DB::table('sessions')->where('user_id', $user->id)->delete();
        RememberedDevices::forget($user);
        History::ofBrokerage($user->brokerage_id, 'Signed out everywhere', ['person' => $user->name]);
    }

    /** Ends one session. @param  string  $hash  SHA-256 of its id, as pages name it */
    public function endSession(User $user, string $hash): void
    {
        foreach (DB::table('sessions')->where('user_id', $user->id)->pluck('id') as $id) {
            if (hash_equals(hash('sha256', (string) $id), $hash)) {
                DB::table('sessions')->where('id', $id)->delete();
                History::ofBrokerage($user->brokerage_id, 'Session ended', ['person' => $user->name]);
            }
        }
    }
}
