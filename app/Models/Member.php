<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Unanimus\Parties\Side;

/**
 * A colleague who serves a file.
 *
 * @property int $id
 * @property int $deal_file_id
 * @property int $user_id
 * @property Role $role
 * @property Side|null $side
 * @property int|null $through the cover by which they help
 * @property-read User $user
 */
final class Member extends Record
{
    /** @var array<string, string> */
    protected $casts = ['role' => Role::class, 'side' => Side::class];

    public $timestamps = false;

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected $table = 'file_members';
}
