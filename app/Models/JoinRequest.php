<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A colleague's wish to join a file for its other side, until someone of the file decides.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property int $user_id
 * @property int|null $from_file_id the file the wish was made from
 * @property string $state asked, granted or refused
 * @property-read User $asker
 * @property-read DealFile $file
 */
final class JoinRequest extends Record
{
    use HasKey;

    public $timestamps = false;

    protected $attributes = ['state' => 'asked', 'from_file_id' => null];

    /** @return BelongsTo<User, $this> */
    public function asker(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }
}
