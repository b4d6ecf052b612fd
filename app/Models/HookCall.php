<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * What a webhook is told: once it was taken it is not told again.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $hook_id
 * @property int $deal_file_id
 * @property int $seq
 * @property string $event
 * @property string $body
 * @property int $tried
 * @property Carbon|null $next_at
 * @property Carbon|null $taken_at
 * @property Carbon|null $given_up_at
 * @property string $answer
 * @property Carbon $created_at
 * @property-read Hook $hook
 */
final class HookCall extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['next_at' => 'datetime', 'taken_at' => 'datetime', 'given_up_at' => 'datetime'];

    protected $attributes = ['tried' => 0, 'taken_at' => null, 'given_up_at' => null, 'answer' => ''];

    /** @return BelongsTo<Hook, $this> */
    public function hook(): BelongsTo
    {
        return $this->belongsTo(Hook::class);
    }
}
