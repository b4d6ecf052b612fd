<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Unanimus\Dates\LocalDate;

/**
 * That somebody works on another's files: an assistant, a team, somebody while they are away.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $user_id whose files
 * @property int $helper_id who works on them
 * @property string $kind
 * @property LocalDate $from_on
 * @property LocalDate|null $until_on
 * @property Carbon|null $began_at
 * @property Carbon|null $ended_at
 * @property-read User $user
 * @property-read User $helper
 */
final class Cover extends Record
{
    use HasKey;

    public const KINDS = ['assistant' => 'assistant', 'team' => 'team member', 'vacation' => 'cover while away'];

    /** @var array<string, string> */
    protected $casts = ['from_on' => AsDay::class, 'until_on' => AsDay::class, 'began_at' => 'datetime', 'ended_at' => 'datetime'];

    protected $attributes = ['until_on' => null, 'began_at' => null, 'ended_at' => null];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<User, $this> */
    public function helper(): BelongsTo
    {
        return $this->belongsTo(User::class, 'helper_id');
    }
}
