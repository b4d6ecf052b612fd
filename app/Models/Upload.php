<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Unanimus\Files\PaperState;
use Unanimus\Intake\StackPart;

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
 * @property int|null $version_id the version it became
 * @property int|null $meant_id the paper it seems to be
 * @property PaperState|null $before_state of the paper it stands at, before it came there; null: that paper was made for it
 * @property list<array<string, mixed>> $parts the papers in it, where it holds several
 * @property bool $is_question whether its uploader has still to say that it is where it belongs
 * @property-read Paper|null $paper
 * @property-read DealFile $file
 * @property-read Paper|null $placeholder
 * @property-read User|null $uploader
 */
final class Upload extends Record
{
    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['seen' => 'boolean', 'is_question' => 'boolean', 'parts' => 'array', 'before_state' => PaperState::class];

    protected $attributes = [
        'state' => 'working',
        'told' => '',
        'stage' => 'contract',
        'paper_id' => null,
        'seen' => false,
        'version_id' => null,
        'meant_id' => null,
        'before_state' => null,
        'parts' => '[]',
        'is_question' => false,
    ];

    /**
     * What this person uploaded and has still to say where it belongs, or has not been told of.
     *
     * @return Collection<int, self>
     */
    public static function open(DealFile $file, User $user): Collection
    {
        return self::query()
            ->with('paper.latest')
            ->where('deal_file_id', $file->id)
            ->where('user_id', $user->id)
            ->where(static fn ($open) => $open->where('is_question', true)->orWhere('seen', false))
            ->orderBy('id')
            ->limit(60)
            ->get();
    }

    /** @return list<StackPart> */
    public function stack(): array
    {
        return array_map(StackPart::fromArray(...), $this->parts);
    }

    /** @return BelongsTo<Paper, $this> */
    public function paper(): BelongsTo
    {
        return $this->belongsTo(Paper::class, 'paper_id');
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
