<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A paper as it goes out in a round: its bytes are fixed when the round is sent.
 *
 * @property int $id
 * @property int $round_id
 * @property int $paper_id
 * @property int $position what it is called in the round; stays the same
 * @property int $place where it stands among the others
 * @property array{name?: string, choices?: list<array{key: string, name: string}>} $stencil by which it goes, or which may be meant
 * @property list<int> $seen pages that were looked at at the desk
 * @property string $title
 * @property string|null $sha256
 * @property int $pages
 * @property list<array{word: string, kind: string, page: int, place: array{float, float, float, float}, sure: float}> $unclear
 * @property bool $reading whether a scan is still being read for its places
 * @property-read Paper $paper
 * @property-read Round $round
 */
final class RoundPaper extends Record
{
    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['unclear' => 'array', 'reading' => 'boolean', 'seen' => 'array', 'stencil' => 'array'];

    protected $attributes = ['unclear' => '[]', 'reading' => false, 'seen' => '[]', 'stencil' => '{}'];

    /** @return BelongsTo<Paper, $this> */
    public function paper(): BelongsTo
    {
        return $this->belongsTo(Paper::class);
    }

    /** @return BelongsTo<Round, $this> */
    public function round(): BelongsTo
    {
        return $this->belongsTo(Round::class);
    }
}
