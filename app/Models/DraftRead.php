<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Unanimus\Parties\Side;

/**
 * Drafts that a colleague is asked to read before anything is submitted.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property Side|null $side whose own it is; null: both sides'
 * @property int $reader_id
 * @property int $user_id who asks
 * @property string $message
 * @property list<string> $papers their keys
 * @property Carbon|null $done_at
 * @property Carbon $created_at
 * @property-read DealFile $file
 * @property-read User $reader
 * @property-read User $asker
 * @property-read Collection<int, DraftRemark> $remarks
 */
final class DraftRead extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['side' => Side::class, 'papers' => 'array', 'done_at' => 'datetime'];

    protected $attributes = ['side' => null, 'message' => '', 'done_at' => null];

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return BelongsTo<User, $this> */
    public function reader(): BelongsTo
    {
        return $this->belongsTo(User::class, 'reader_id');
    }

    /** @return BelongsTo<User, $this> */
    public function asker(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    /** @return HasMany<DraftRemark, $this> */
    public function remarks(): HasMany
    {
        return $this->hasMany(DraftRemark::class)->orderBy('id');
    }

    /** How many remarks nobody has seen to yet. */
    public function open(): int
    {
        return $this->remarks->whereNull('resolved_at')->count();
    }
}
