<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A paper of a working copy: ours, the guest's, and what came back of it.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $working_copy_id
 * @property int $paper_id
 * @property int $guest_paper_id
 * @property string $given_sha256
 * @property string|null $returned_sha256
 * @property int|null $returned_pages
 * @property list<string> $returned_seats who signed on it
 * @property Carbon|null $returned_at
 * @property string|null $settled "taken" as the next version, or "left"
 * @property Carbon|null $settled_at
 * @property-read Paper $paper
 * @property-read Paper $guestPaper
 * @property-read WorkingCopy $copy
 */
final class WorkingCopyPaper extends Record
{
    use HasKey;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['returned_seats' => 'array', 'returned_at' => 'datetime', 'settled_at' => 'datetime'];

    protected $attributes = [
        'returned_sha256' => null,
        'returned_pages' => null,
        'returned_seats' => '[]',
        'returned_at' => null,
        'settled' => null,
        'settled_at' => null,
    ];

    /** @return BelongsTo<Paper, $this> */
    public function paper(): BelongsTo
    {
        return $this->belongsTo(Paper::class);
    }

    /** @return BelongsTo<Paper, $this> */
    public function guestPaper(): BelongsTo
    {
        return $this->belongsTo(Paper::class, 'guest_paper_id');
    }

    /** @return BelongsTo<WorkingCopy, $this> */
    public function copy(): BelongsTo
    {
        return $this->belongsTo(WorkingCopy::class, 'working_copy_id');
    }

    /** Whether it came back and nobody has said what becomes of it. */
    public function waits(): bool
    {
        return $this->returned_sha256 !== null && $this->settled === null;
    }
}
