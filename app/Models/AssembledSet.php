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
 * @property list<int> $for_parties to whom it goes once it is put together, by id
 * @property int $user_id
 * @property Carbon $created_at
 * @property-read DealFile $file
 * @property-read Collection<int, ReadingCopy> $copies
 */
final class AssembledSet extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = [
        'side' => Side::class,
        'papers' => 'array',
        'options' => 'array',
        'notes' => 'array',
        'for_parties' => 'array',
        'staff_only' => 'boolean',
    ];

    protected $attributes = [
        'side' => null,
        'staff_only' => false,
        'status' => 'waiting',
        'done' => 0,
        'failure' => '',
        'notes' => '[]',
        'for_parties' => '[]',
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

    /** @return Collection<int, self> of a file, still put together, to be sent to somebody then */
    public static function goingOut(int $fileId): Collection
    {
        return self::query()
            ->where('deal_file_id', $fileId)
            ->where('status', '<>', 'failed')
            ->whereJsonLength('for_parties', '>', 0)
            ->get();
    }

    /** @return Collection<int, self> of a file, that was to be sent to somebody and could not be put together */
    public static function failedToGo(int $fileId): Collection
    {
        return self::query()->where(['deal_file_id' => $fileId, 'status' => 'failed'])->whereJsonLength('for_parties', '>', 0)->get();
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
