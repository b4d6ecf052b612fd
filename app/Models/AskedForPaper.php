<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One paper asked for by name, and what came for it.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $paper_request_id
 * @property int|null $paper_id the row it is for; null: whatever else they bring
 * @property string $title
 * @property list<array{name: string, pages: int, at: string, once: string}> $brought
 * @property-read Paper|null $paper
 * @property-read PaperRequest $request
 */
final class AskedForPaper extends Record
{
    use HasKey;

    public $timestamps = false;

    protected $table = 'asked_papers';

    /** @var array<string, string> */
    protected $casts = ['brought' => 'array'];

    protected $attributes = ['paper_id' => null, 'brought' => '[]'];

    /** @return BelongsTo<Paper, $this> */
    public function paper(): BelongsTo
    {
        return $this->belongsTo(Paper::class);
    }

    /** @return BelongsTo<PaperRequest, $this> */
    public function request(): BelongsTo
    {
        return $this->belongsTo(PaperRequest::class, 'paper_request_id');
    }
}
