<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A term or a fact of the property, with where it is known from.
 *
 * @property int $id
 * @property string $name
 * @property string $value
 * @property string $source
 * @property Carbon $stored_at
 * @property int|null $user_id
 * @property-read User|null $user
 */
final class KnownFact extends Record
{
    public $timestamps = false;

    protected $table = 'facts';

    /** @var array<string, string> */
    protected $casts = ['stored_at' => 'datetime'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
