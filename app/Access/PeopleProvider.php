<?php

declare(strict_types=1);

namespace App\Access;

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

    public function retrieveByToken($identifier, #[\SensitiveParameter] $token): ?User
    {
        $user = $this->retrieveById($identifier);
        $kept = $user?->getRememberToken();

        return $kept !== null && $kept !== '' && hash_equals($kept, (string) $token) ? $user : null;
    }

    /** @param  array<string, mixed>  $credentials */
    public function retrieveByCredentials(#[\SensitiveParameter] array $credentials): ?User
    {
        return $this->first('SELECT * FROM user_by_address(?)', (string) ($credentials['email'] ?? ''));
    }

    public function updateRememberToken(Authenticatable $user, #[\SensitiveParameter] $token): void
    {
        DB::transaction(static function () use ($user, $token): void {
            $user instanceof User && Sight::ofPerson($user);
            DB::table('users')->where('id', $user->getAuthIdentifier())->update(['remember_token' => $token]);
        });
        $user->setRememberToken($token);
    }

    private function first(string $query, int|string $value): ?User
    {
        return User::hydrate(DB::select($query, [$value]))->first();
    }
}
