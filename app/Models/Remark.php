<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A reviewer's note, pinned to a place on a page.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property int $requirement_id
 * @property-read Requirement $requirement
 * @property-read DealFile $file
 * @property int|null $page
 * @property string|null $x
 * @property string|null $y
 * @property string $text
 * @property int $user_id
 * @property Carbon $at
 * @property Carbon|null $sent_at null: noted, and nobody but reviewers sees it
 * @property string $answer of whoever mended it
 * @property Carbon|null $answered_at
 * @property int|null $answered_by
 * @property Carbon|null $resolved_at when the reviewer saw that it is done
 * @property-read User $author
 */
final class Remark extends Record
{
    use HasKey;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['at' => 'datetime', 'sent_at' => 'datetime', 'answered_at' => 'datetime', 'resolved_at' => 'datetime'];

    protected $attributes = ['sent_at' => null, 'answer' => '', 'answered_at' => null, 'answered_by' => null, 'resolved_at' => null];

    /** @return BelongsTo<Requirement, $this> */
    public function requirement(): BelongsTo
    {
        return $this->belongsTo(Requirement::class);
    }

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }
}
