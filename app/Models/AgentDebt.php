<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsMoney;
use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Unanimus\Money\Money;

/**
 * What an agent owes: an advance, arrears. Sheets take it in the order in which it was entered.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $user_id
 * @property string $label
 * @property Money $amount as it was entered
 * @property string $payee empty: the company
 * @property Carbon|null $settled_at paid or forgiven otherwise
 * @property string $settled_why
 * @property int $made_by
 * @property string|null $once of the form it was entered in
 * @property-read User $agent
 */
final class AgentDebt extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['amount' => AsMoney::class, 'settled_at' => 'datetime'];

    protected $attributes = ['payee' => '', 'settled_at' => null, 'settled_why' => ''];

    /** @return BelongsTo<User, $this> */
    public function agent(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }
}
