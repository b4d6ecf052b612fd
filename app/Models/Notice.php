<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Unanimus\Notices\NoticeChoice;
use Unanimus\Notices\NoticeKind;

/**
 * Something a person is told of.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $user_id
 * @property int|null $deal_file_id
 * @property NoticeKind $kind
 * @property string $subject
 * @property string $body
 * @property string $label
 * @property string|null $action
 * @property string $once_key
 * @property NoticeChoice $choice
 * @property Carbon|null $mail_at
 * @property Carbon|null $mailed_at
 * @property Carbon|null $seen_at
 * @property Carbon $at
 * @property-read DealFile|null $file
 * @property-read User $user
 */
final class Notice extends Record
{
    use HasKey;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['kind' => NoticeKind::class, 'choice' => NoticeChoice::class, 'mail_at' => 'datetime', 'mailed_at' => 'datetime',
        'seen_at' => 'datetime', 'at' => 'datetime'];

    /** What happened, with the file it happened in. */
    public function line(): string
    {
        return $this->file === null || str_contains($this->subject, $this->file->name) ? $this->subject : "{$this->file->name}: {$this
            ->subject}";
    }

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
