<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A role a person has in an office.
 *
 * @property int $id
 * @property int $brokerage_id
 * @property int $user_id
 * @property int $office_id
 * @property Role $role
 * @property-read Office $office
 */
final class OfficeRole extends Record
{
    /** @var array<string, string> */
    protected $casts = ['role' => Role::class];

    public $timestamps = false;

    /** @return BelongsTo<Office, $this> */
    public function office(): BelongsTo
    {
        return $this->belongsTo(Office::class);
    }
}
