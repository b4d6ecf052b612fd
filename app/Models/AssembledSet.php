<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Unanimus\Pages\SetOptions;
use Unanimus\Parties\Side;

/**
 * Papers put together, kept as they were then.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property Side|null $side
 * @property bool $staff_only
 * @property string $title
 * @property list<string> $papers keys, in order
 * @property array<string, mixed> $options
 * @property string $status waiting, making, ready, failed
 * @property int $done how many papers are ready
 * @property string $failure
 * @property list<string> $notes
 * @property string|null $sha256
 * @property int|null $pages
 * @property int $user_id
 * @property Carbon $created_at
 * @property-read DealFile $file
 * @property-read Collection<int, ReadingCopy> $copies
 */
final class AssembledSet extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['side' => Side::class, 'papers' => 'array', 'options' => 'array', 'notes' => 'array', 'staff_only' => 'boolean'];

    protected $attributes = [
        'side' => null,
        'staff_only' => false,
        'status' => 'waiting',
        'done' => 0,
        'failure' => '',
        'notes' => '[]',
        'sha256' => null,
        'pages' => null,
    ];

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return HasMany<ReadingCopy, $this> */
    public function copies(): HasMany
    {
        return $this->hasMany(ReadingCopy::class)->orderByDesc('id');
    }

    public function how(): SetOptions
    {
        return SetOptions::fromArray($this->options);
    }

    public function isReady(): bool
    {
        return $this->status === 'ready' && $this->sha256 !== null;
    }
}
