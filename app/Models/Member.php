<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A colleague who serves a file.
 *
 * @property int $id
 * @property int $deal_file_id
 * @property int $user_id
 * @property string $role
 * @property string|null $side
 * @property-read User $user
 */
final class Member extends Record
{
    public $timestamps = false;

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected $table = 'file_members';
}
