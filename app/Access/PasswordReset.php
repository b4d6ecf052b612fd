<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\AppKeys;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** The address at which somebody who forgot their password chooses another; dead once it is another. */
final class PasswordReset
{
    public const HOURS = 2;

    public static function link(User $user, ?Carbon $since = null): string
    {
        $until = ($since ?? now())->copy()->addHours(self::HOURS)->getTimestamp();

        return url("/password/{$user->key}/{$until}/".AppKeys::proof(self::meant($user, $until)));
    }

    /** Whose it is; null when the address is dead or was never one. */
    public static function find(string $key, int $until, string $proof): ?User
    {
        $user = User::hydrate(DB::select('SELECT * FROM user_by_key(?)', [$key]))->first();

        return $user instanceof User && ! $user->guest && $user->invited_at === null && $until > now()->getTimestamp() &&
            AppKeys::holds(self::meant($user, $until), $proof, bin2hex(...))
            ? $user
            : null;
    }

    private static function meant(User $user, int $until): string
    {
        return "password:{$user->key}:{$until}:{$user->password}";
    }
}
