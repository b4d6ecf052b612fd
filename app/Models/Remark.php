<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A reviewer's note, pinned to a place on a page.
 *
 * @property int $id
 * @property string $key
 * @property int $requirement_id
 * @property int|null $page
 * @property string|null $x
 * @property string|null $y
 * @property string $text
 * @property int $user_id
 * @property Carbon $at
 * @property Carbon|null $answered_at
 * @property-read User $author
 */
final class Remark extends Record
{
    use HasKey;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['at' => 'datetime', 'answered_at' => 'datetime'];

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }
}
