<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * What a colleague noticed on a draft.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $draft_read_id
 * @property int $paper_id
 * @property int|null $page null: the paper as a whole
 * @property float|null $x
 * @property float|null $y
 * @property string $text
 * @property int $user_id
 * @property Carbon $at
 * @property Carbon|null $resolved_at
 * @property-read DraftRead $read
 */
final class DraftRemark extends Record
{
    use HasKey;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['at' => 'datetime', 'resolved_at' => 'datetime', 'x' => 'float', 'y' => 'float'];

    protected $attributes = ['page' => null, 'x' => null, 'y' => null, 'resolved_at' => null];

    /** @return BelongsTo<DraftRead, $this> */
    public function read(): BelongsTo
    {
        return $this->belongsTo(DraftRead::class, 'draft_read_id');
    }
}
