<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Unanimus\Dates\LocalDate;
use Unanimus\Parties\Side;

/**
 * Something to be done for a file, by somebody, by a day that may follow an anchor.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property string $title
 * @property Side|null $side
 * @property int|null $user_id
 * @property string|null $anchor
 * @property int $days
 * @property bool $business
 * @property LocalDate|null $due
 * @property string $origin
 * @property Carbon|null $done_at
 * @property int|null $done_by
 * @property string $moved_in how it was done before the brokerage moved in, in words
 * @property-read DealFile $file
 * @property-read User|null $assignee
 * @property-read User|null $doer
 */
final class Task extends Record
{
    use HasKey;

    protected $attributes = [
        'side' => null,
        'user_id' => null,
        'anchor' => null,
        'days' => 0,
        'business' => false,
        'due' => null,
        'origin' => 'hand',
        'done_at' => null,
        'done_by' => null,
        'moved_in' => '',
    ];

    /** @var array<string, string> */
    protected $casts = ['due' => AsDay::class, 'side' => Side::class, 'business' => 'boolean', 'done_at' => 'datetime'];

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return BelongsTo<User, $this> */
    public function assignee(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    /** @return BelongsTo<User, $this> */
    public function doer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'done_by');
    }
}
