<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use App\Models\Concerns\OfBrokerage;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Laravel\Sanctum\PersonalAccessToken;

/**
 * A token by which a program works for a person. Only its hash is kept.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $tokenable_id
 * @property string $name
 * @property list<string> $abilities
 * @property Carbon|null $last_used_at
 * @property Carbon|null $expires_at
 * @property Carbon|null $revoked_at
 * @property Carbon $created_at
 */
final class ApiToken extends PersonalAccessToken
{
    use HasKey;

    protected $table = 'api_tokens';

    protected $guarded = [];

    protected $fillable = [];

    /** @var array<string, string> */
    protected $casts = ['abilities' => 'json', 'last_used_at' => 'datetime', 'expires_at' => 'datetime', 'revoked_at' => 'datetime'];

    protected static function booted(): void
    {
        self::addGlobalScope(new OfBrokerage());
    }

    /** Before anybody is known the database gives the one token and the one person by function. */
    public static function findToken($token): ?self
    {
        $found = is_string($token) && str_starts_with($token, 'una_')
            ? self::hydrate(DB::select('SELECT * FROM token_by_hash(?)', [hash('sha256', $token)]))->first()
            : null;
        if ($found === null) {
            return null;
        }
        $user = User::hydrate(DB::select('SELECT * FROM user_by_id(?)', [$found->tokenable_id]))->first();

        return $user === null ? null : $found->setRelation('tokenable', $user);
    }
}
