<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A reason not to purge a file when its time is over: a claim, an audit, a subpoena.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property string $reason
 * @property int|null $placed_by
 * @property Carbon|null $lifted_at
 * @property Carbon $created_at
 * @property-read User|null $placer
 * @property-read DealFile $file
 */
final class RetentionHold extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['lifted_at' => 'datetime'];

    protected $attributes = ['lifted_at' => null];

    /** @return BelongsTo<User, $this> */
    public function placer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'placed_by');
    }

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }
}
