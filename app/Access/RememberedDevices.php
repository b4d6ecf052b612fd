<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** The devices on which a person stays signed in, each for a month and each to be ended by itself. */
final class RememberedDevices
{
    public const DAYS = 30;

    public static function hash(#[\SensitiveParameter] string $token): string
    {
        return hash('sha256', $token);
    }

    public static function add(User $user, #[\SensitiveParameter] string $token): void
    {
        DB::table('remembered_devices')->insert([
            'key' => (string) Str::ulid(),
            'user_id' => $user->id,
            'brokerage_id' => $user->brokerage_id,
            'token_hash' => self::hash($token),
            'device' => mb_substr((string) request()->userAgent(), 0, 200),
            'address' => (string) request()->ip(),
            'expires_at' => now()->addDays(self::DAYS),
        ]);
    }

    /** @return list<object{key: string, device: string, address: string, used_at: string, expires_at: string}> the last used first */
    public static function of(User $user): array
    {
        return array_values(
            DB::table('remembered_devices')
                ->where('user_id', $user->id)
                ->where('expires_at', '>', now())
                ->orderByDesc('used_at')
                ->limit(30)
                ->get(['key', 'device', 'address', 'used_at', 'expires_at'])
                ->all(),
        );
    }

    public static function forget(User $user, ?string $key = null): void
    {
        DB::table('remembered_devices')
            ->where('user_id', $user->id)
            ->when($key !== null, static fn ($query) => $query->where('key', $key))
            ->delete();
    }

    /** Ends the one this request came from. */
    public static function forgetThis(User $user): void
    {
        $token = $user->getRememberToken();
        $token === '' || DB::table('remembered_devices')->where('user_id', $user->id)->where('token_hash', self::hash($token))->delete();
    }
}
