<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Unanimus\Parties\Side;

/**
 * A term or a fact of the property, with where it is known from.
 *
 * @property int $id
 * @property string $name
 * @property string $value
 * @property string $source
 * @property Carbon $stored_at
 * @property int|null $user_id
 * @property Side|null $side whose own affair it is; null: both sides'
 * @property Carbon|null $checked_at when somebody held it against something else
 * @property string|null $checked_against
 * @property-read User|null $user
 */
final class KnownFact extends Record
{
    public $timestamps = false;

    protected $table = 'facts';

    /** @var array<string, string> */
    protected $casts = ['side' => Side::class, 'stored_at' => 'datetime', 'checked_at' => 'datetime'];

    protected $attributes = ['checked_at' => null, 'checked_by' => null, 'checked_against' => null];

    /** Whether it came from elsewhere and nobody has checked it since. */
    public function isUnchecked(): bool
    {
        return $this->source !== 'entered' && $this->checked_at === null;
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
