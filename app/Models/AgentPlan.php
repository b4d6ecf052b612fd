<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Unanimus\Dates\LocalDate;

/**
 * How an agent shares with the company, from a day until another is in force.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $user_id
 * @property LocalDate $from_day
 * @property array<string, mixed> $plan as commission:compute takes it
 * @property array<string, string> $opening what counted in its year before sheets were kept here: year, cn, company, afterCap
 * @property int $made_by
 * @property-read User $agent
 */
final class AgentPlan extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['from_day' => AsDay::class, 'plan' => 'array', 'opening' => 'array'];

    protected $attributes = ['opening' => '{}'];

    /** @return BelongsTo<User, $this> */
    public function agent(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }
}
