<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Crypt;

/**
 * An address that is called when something happens in files its owner sees.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $user_id
 * @property string $url
 * @property string $secret encrypted
 * @property list<string> $events
 * @property int $seen_id the last entry of a history that was looked at
 * @property int $from_id the last entry that was there when it was turned on
 * @property Carbon|null $off_at
 * @property string $off_because
 * @property-read User $owner
 */
final class Hook extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['events' => 'array', 'off_at' => 'datetime'];

    protected $attributes = ['off_at' => null, 'off_because' => ''];

    protected $hidden = ['secret'];

    /** @return BelongsTo<User, $this> */
    public function owner(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    /** @return HasMany<HookCall, $this> */
    public function calls(): HasMany
    {
        return $this->hasMany(HookCall::class);
    }

    /** What calls are signed with. */
    public function signingSecret(): string
    {
        return Crypt::decryptString($this->secret);
    }
}
