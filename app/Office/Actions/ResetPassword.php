<?php

declare(strict_types=1);

namespace App\Office\Actions;

use App\Access\PasswordReset;
use App\Access\RememberedDevices;
use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** For somebody who forgot their password: an email with a link, and another password by it. */
final class ResetPassword
{
    /** Whether anybody signs in with that address is not told to who asks; an email a quarter of an hour at most. */
    public function ask(string $email): void
    {
        $user = Auth::getProvider()->retrieveByCredentials(['email' => $email]);
        if (! ($user instanceof User) || $user->guest) {
            return;
        }
        $quarter = now()->format('YmdH').intdiv((int) now()->format('i'), 15);
        Sight::within($user->brokerage_id, static fn () => Post::toColleague(
            $user->brokerage_id,
            "forgotten:{$user->key}:{$quarter}",
            Addressee::user($user),
            Wording::of('forgotten_password', ['hours' => (string) PasswordReset::HOURS]),
            $user->invited_at === null ? "password {$user->key}" : "invitation {$user->key}",
        ));
    }

    /** Whoever was signed in with the old one, on any device, is no more. */
    public function choose(User $user, #[\SensitiveParameter] string $password): void
    {
        DB::transaction(static function () use ($user, $password): void {
            Sight::ofPerson($user);
            $changed = DB::table('users')
                ->where(['id' => $user->id, 'password' => $user->password])
                ->update(['password' => Hash::make($password)]);
            if ($changed === 1) {
                RememberedDevices::forget($user);
                DB::table('sessions')->where('user_id', $user->id)->delete();
                History::ofBrokerage($user->brokerage_id, 'Password changed', ['person' => $user->name, 'by' => 'a link in an email']);
            }
        });
    }
}
