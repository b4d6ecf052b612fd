<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A report that somebody keeps under a name.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $user_id
 * @property string $name
 * @property array<string, string> $asked as an address asks for it
 * @property bool $monthly whether it is sent on the first of each month
 * @property Carbon|null $asked_at when it was asked for by email, once; it goes when the email is put
 * @property-read User $user
 */
final class KeptReport extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['asked' => 'array', 'monthly' => 'boolean', 'asked_at' => 'datetime'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
