<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\Role;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

/**
 * An administrator looks as somebody else: with their eyes, marked on every page, and without doing anything. That it was begun stands
 * in the history of the brokerage.
 */
final class LookAs
{
    public const SESSION = 'looks_as';

    /** What may be sent all the same. */
    private const ALLOWED = ['look/end', 'sign-out', 'sign-out/everywhere'];

    /** Whether the request is one that only looks; from here on it is the other person's. */
    public static function begin(Request $request, User $user): bool
    {
        $key = $request->hasSession() ? $request->session()->get(self::SESSION) : null;
        if (! is_string($key) || $request->is(...self::ALLOWED)) {
            return false;
        }
        $other = $user->holds(Role::Administrator) ? self::colleague($user, $key) : null;
        if ($other === null) {
            $request->session()->forget(self::SESSION);

            return false;
        }
        abort_unless($request->isMethodSafe(), 403, "You are only looking as {$other->name}. Stop looking to change something.");
        $request->attributes->set('looks', $user);
        Auth::setUser($other);
        $request->setUserResolver(static fn () => $other);
        Sight::ofPerson($other);

        return true;
    }

    /** Somebody who may be looked as: who works at the same brokerage, and is no guest. */
    public static function colleague(User $user, string $key): ?User
    {
        return User::query()->with('officeRoles')
            ->where(['brokerage_id' => $user->brokerage_id, 'key' => $key, 'active' => true, 'guest' => false])
            ->where('id', '<>', $user->id)
            ->first();
    }
}
