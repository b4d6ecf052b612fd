<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One file that someone uploaded, under the key their browser gave it: sent again, it is the same one.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property int|null $user_id
 * @property int|null $placeholder_id
 * @property int|null $paper_id
 * @property string $name
 * @property string $sha256 of the bytes as they came
 * @property string $stage
 * @property string $state working, done or refused
 * @property string $told
 * @property bool $seen
 * @property-read DealFile $file
 * @property-read Paper|null $placeholder
 * @property-read User|null $uploader
 */
final class Upload extends Record
{
    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['seen' => 'boolean'];

    protected $attributes = ['state' => 'working', 'told' => '', 'stage' => 'contract', 'paper_id' => null, 'seen' => false];

    /** @return Collection<int, self> what this person uploaded that is not told yet: being converted, or done while they were elsewhere */
    public static function unseen(DealFile $file, User $user): Collection
    {
        return self::query()
            ->where('deal_file_id', $file->id)
            ->where('user_id', $user->id)
            ->where('seen', false)
            ->orderBy('id')
            ->limit(20)
            ->get();
    }

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return BelongsTo<Paper, $this> */
    public function placeholder(): BelongsTo
    {
        return $this->belongsTo(Paper::class, 'placeholder_id');
    }

    /** @return BelongsTo<User, $this> */
    public function uploader(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }
}
