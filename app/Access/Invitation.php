<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\AppKeys;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** The address at which an invited person chooses a password; dead once one is chosen. */
final class Invitation
{
    /** Days it may be accepted. */
    public const DAYS = 14;

    public static function link(User $user, ?Carbon $since = null): string
    {
        $until = ($since ?? now())->copy()->addDays(self::DAYS)->getTimestamp();

        return url("/invitation/{$user->key}/{$until}/".AppKeys::proof(self::meant($user, $until)));
    }

    /** Who was invited; null when the address is dead or was never one. */
    public static function find(string $key, int $until, string $proof): ?User
    {
        $user = User::hydrate(DB::select('SELECT * FROM user_by_key(?)', [$key]))->first();

        return $user instanceof User &&
            $user->invited_at !== null &&
            $until > now()->getTimestamp() &&
            AppKeys::holds(self::meant($user, $until), $proof, bin2hex(...))
            ? $user
            : null;
    }

    private static function meant(User $user, int $until): string
    {
        // The password is part of it: once one is chosen, the address is dead.
        return "invitation:{$user->key}:{$until}:{$user->password}";
    }
}
