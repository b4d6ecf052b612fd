<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\User;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Unanimus\Access\RecoveryCodes;
use Unanimus\Access\Totp;

/** A person's second factor at sign-in: a code of their authenticator, or one of their recovery codes. */
final class SecondFactor
{
    public const OWED = 'Your brokerage requires two-step sign-in for your role. Set it up to continue.';

    /** Whether somebody's role needs two steps, which they have not set up; until then nothing of theirs opens, no token either. */
    public static function isOwedBy(User $user): bool
    {
        return $user->owes_two_step && ! self::isOn($user);
    }

    public static function isOn(User $user): bool
    {
        return $user->second_factor_at !== null;
    }

    /** Whether the code is right; it is spent with that, under a lock, so that it counts once however often it is sent. */
    public static function passes(User $user, string $typed): bool
    {
        return DB::transaction(static function () use ($user, $typed): bool {
            DB::select("SELECT set_config('unanimus.brokerage', ?, true)", [(string) $user->brokerage_id]);
            $kept = User::query()->whereKey($user->id)->lockForUpdate()->firstOrFail();
            if ($kept->second_factor === null || $kept->second_factor_at === null) {
                return false;
            }
            $step = Totp::of($kept->second_factor)->accepts($typed, now()->getTimestamp(), (int) $kept->second_factor_step);
            if ($step !== null) {
                DB::table('users')
                    ->where('id', $kept->id)
                    ->update(['second_factor_step' => $step]);

                return true;
            }
            $left = RecoveryCodes::spend($typed, $kept->recovery_codes);
            $left === null ||
                DB::table('users')
                    ->where('id', $kept->id)
                    ->update(['recovery_codes' => json_encode($left)]);

            return $left !== null;
        });
    }

    /** Lays a fresh secret ready; it counts once a code of it was given. */
    public static function prepare(User $user): Totp
    {
        $totp = Totp::fresh();
        DB::table('users')
            ->where('id', $user->id)
            ->update(['second_factor' => Crypt::encryptString($totp->secret()), 'second_factor_at' => null, 'second_factor_step' => null]);

        return $totp;
    }

    /** @return list<string>|null the recovery codes, shown this once; null when the code is not right */
    public static function turnOn(User $user, string $typed): ?array
    {
        $kept = User::query()->whereKey($user->id)->lockForUpdate()->firstOrFail();
        // On already, or of a code that was used: nothing new is given for it.
        $step =
            $kept->second_factor === null || $kept->second_factor_at !== null
                ? null
                : Totp::of($kept->second_factor)->accepts($typed, now()->getTimestamp(), (int) $kept->second_factor_step);
        if ($step === null) {
            return null;
        }
        $codes = RecoveryCodes::fresh();
        DB::table('users')
            ->where('id', $user->id)
            ->update([
                'second_factor_at' => now(),
                'second_factor_step' => $step,
                'recovery_codes' => json_encode(RecoveryCodes::hashes($codes)),
            ]);

        return $codes;
    }

    public static function turnOff(User $user): void
    {
        DB::table('users')
            ->where('id', $user->id)
            ->update(['second_factor' => null, 'second_factor_at' => null, 'second_factor_step' => null, 'recovery_codes' => '[]']);
    }
}
