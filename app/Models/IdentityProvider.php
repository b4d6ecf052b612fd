<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * The brokerage's own sign-in, by OpenID Connect.
 *
 * @property int $brokerage_id
 * @property string $issuer
 * @property string $client_id what we are called there
 * @property string $secret
 * @property bool $asks_second_step whether it asks for a second step itself, so that we need not
 * @property bool $is_only whether a password alone signs nobody in but administrators
 * @property Carbon $changed_at
 */
final class IdentityProvider extends Record
{
    public $incrementing = false;

    public $timestamps = false;

    protected $primaryKey = 'brokerage_id';

    /** @var array<string, string> */
    protected $casts = ['secret' => 'encrypted', 'asks_second_step' => 'boolean', 'is_only' => 'boolean', 'changed_at' => 'datetime'];

    protected $hidden = ['secret'];

    /** Where somebody with this address signs in, if their brokerage says so; before anybody is signed in. */
    public static function for(string $email): ?self
    {
        return self::hydrate(DB::select('SELECT * FROM identity_provider_of(?)', [$email]))->first();
    }

    /** Whether any brokerage here has one. */
    public static function areUsed(): bool
    {
        return (bool) DB::scalar('SELECT companies_sign_in()');
    }
}
