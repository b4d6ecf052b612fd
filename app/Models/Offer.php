<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Unanimus\Files\OfferState;
use Unanimus\Terms\Facts;

/**
 * An offer on a listing of ours; when it is chosen, its terms become the file's.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property int|null $counters
 * @property int|null $version_id the paper's version it was read from
 * @property string $buyers
 * @property string $agent
 * @property array<string, string> $facts
 * @property string $note
 * @property OfferState $state
 * @property Carbon $created_at
 * @property-read DealFile $file
 */
final class Offer extends Record
{
    use HasKey;

    protected $attributes = ['counters' => null, 'version_id' => null, 'agent' => '', 'note' => '', 'state' => 'open'];

    /** @var array<string, string> */
    protected $casts = ['facts' => 'array', 'state' => OfferState::class];

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    public function terms(): Facts
    {
        return Facts::from($this->facts, 'the offer');
    }
}
