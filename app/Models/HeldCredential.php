<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Unanimus\Dates\LocalDate;
use Unanimus\Roster\Credential;

/**
 * A license, an insurance, a course, dues: what a person holds, and until when.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $user_id
 * @property Credential $kind
 * @property string $number
 * @property LocalDate $expires_on
 * @property list<int> $reminded days before its end that were told
 * @property Carbon|null $dropped_at
 * @property-read User $user
 */
final class HeldCredential extends Record
{
    use HasKey;

    protected $table = 'credentials';

    /** @var array<string, string> */
    protected $casts = ['kind' => Credential::class, 'expires_on' => AsDay::class, 'reminded' => 'array', 'dropped_at' => 'datetime'];

    protected $attributes = ['number' => '', 'reminded' => '[]', 'dropped_at' => null];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
