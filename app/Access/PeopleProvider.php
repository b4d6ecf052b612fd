<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\Sight;
use App\Models\User;
use Illuminate\Auth\EloquentUserProvider;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Support\Facades\DB;

/**
 * Finds the one person who signs in. Before that nobody's rows are in sight, so the two look-ups are functions of the
 * database that give one row each.
 */
final class PeopleProvider extends EloquentUserProvider
{
    public function retrieveById($identifier): ?User
    {
        return is_numeric($identifier) ? $this->first('SELECT * FROM user_by_id(?)', (int) $identifier) : null;
    }

    /** Someone whose device is remembered: each device has a token of its own, kept as its hash. */
    public function retrieveByToken($identifier, #[\SensitiveParameter] $token): ?User
    {
        $user = $this->retrieveById($identifier);
        if (
            $user === null ||
            ! is_string($token) ||
            $token === '' ||
            ! (bool) DB::scalar('SELECT device_is_remembered(?, ?)', [$user->id, RememberedDevices::hash($token)])
        ) {
            return null;
        }
        $user->setRememberToken($token);

        return $user;
    }

    /** @param  array<string, mixed>  $credentials */
    public function retrieveByCredentials(#[\SensitiveParameter] array $credentials): ?User
    {
        return $this->first('SELECT * FROM user_by_address(?)', (string) ($credentials['email'] ?? ''));
    }

    public function updateRememberToken(Authenticatable $user, #[\SensitiveParameter] $token): void
    {
        $user->setRememberToken($token);
        $user instanceof User &&
            DB::transaction(static function () use ($user, $token): void {
                Sight::ofPerson($user);
                RememberedDevices::add($user, $token);
            });
    }

    private function first(string $query, int|string $value): ?User
    {
        $user = User::hydrate(DB::select($query, [$value]))->first();
        // At a brokerage's own address nobody else's people are known, with a session from elsewhere either.
        $own = OwnAddress::current();

        return $own === null || $user?->brokerage_id === $own->brokerage ? $user : null;
    }
}
