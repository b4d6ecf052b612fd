<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Unanimus\Dates\LocalDate;

/**
 * Something to be done when somebody comes or goes.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $roster_case_id
 * @property string $title
 * @property Role $by_role
 * @property LocalDate|null $due_on
 * @property Carbon|null $done_at
 * @property int|null $done_by
 * @property-read User|null $doer
 * @property-read RosterCase $case
 */
final class RosterStep extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['by_role' => Role::class, 'due_on' => AsDay::class, 'done_at' => 'datetime'];

    protected $attributes = ['done_at' => null, 'done_by' => null];

    /** @return BelongsTo<User, $this> */
    public function doer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'done_by');
    }

    /** @return BelongsTo<RosterCase, $this> */
    public function case(): BelongsTo
    {
        return $this->belongsTo(RosterCase::class, 'roster_case_id');
    }
}
