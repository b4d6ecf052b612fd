<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\Sight;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Unanimus\Signing\Device;

/** When somebody signed in or failed to, on what and from where. */
final class SignIns
{
    /** So many failures in a day, and whose address it is is told. */
    public const MANY = 10;

    /** @return bool whether it is a device on which they never signed in before, though they did on others */
    public static function in(User $user, Request $request): bool
    {
        return Sight::within($user->brokerage_id, static function () use ($user, $request): bool {
            $before = DB::table('sign_ins')->where(['user_id' => $user->id, 'outcome' => 'in']);
            $isNew = $before->clone()->exists() && $before->where('device', self::device($request))->doesntExist();
            self::note($user, 'in', $request);

            return $isNew;
        });
    }

    /** @param  string  $what  "wrong password" or "wrong code"; @return bool whether there were too many by now */
    public static function failed(User $user, string $what, Request $request): bool
    {
        return Sight::within($user->brokerage_id, static function () use ($user, $what, $request): bool {
            self::note($user, $what, $request);

            return DB::table('sign_ins')
                ->where('user_id', $user->id)
                ->where('outcome', '<>', 'in')
                ->where('at', '>', now()->subDay())
                ->count() >= self::MANY;
        });
    }

    /** @return list<object{at: string, outcome: string, device: string, address: string}> the last ones, those now first */
    public static function of(User $user): array
    {
        return array_values(
            DB::table('sign_ins')->where('user_id', $user->id)->orderByDesc('id')->limit(30)
                ->get(['at', 'outcome', 'device', 'address'])->all(),
        );
    }

    public static function device(Request $request): string
    {
        return Device::of((string) $request->userAgent()) ?: 'an unknown device';
    }

    private static function note(User $user, string $outcome, Request $request): void
    {
        DB::table('sign_ins')->insert([
            'brokerage_id' => $user->brokerage_id,
            'user_id' => $user->id,
            'outcome' => $outcome,
            'device' => self::device($request),
            'address' => (string) $request->ip(),
        ]);
    }
}
