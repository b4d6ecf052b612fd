<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Unanimus\Commission\Entered;
use Unanimus\Parties\Side;

/**
 * What was entered for a commission at one time, and what came of it.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property int $commission_id
 * @property Side|null $side
 * @property array<string, mixed> $given
 * @property array<string, string> $figures price, gross, and what each payee got, by name
 * @property int $user_id
 * @property Carbon $made_at
 * @property-read User $user
 */
final class CommissionVersion extends Record
{
    use HasKey;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['side' => Side::class, 'given' => 'array', 'figures' => 'array', 'made_at' => 'datetime'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public function entered(): Entered
    {
        return Entered::fromArray($this->given);
    }
}
