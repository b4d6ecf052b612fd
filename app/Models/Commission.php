<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsMoney;
use App\Models\Casts\AsPercent;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Carbon;
use Unanimus\Commission\Entered;
use Unanimus\Money\Money;
use Unanimus\Money\Percent;
use Unanimus\Parties\Side;

/**
 * What a file's commission is computed from, and whether its disbursement is authorized.
 *
 * @property int $id
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property Side|null $side whose commission it is; null: the file has but one side of ours
 * @property Percent $rate
 * @property Percent|null $agent_share entered for this deal; null: the agent's plan
 * @property Money $fee
 * @property string $fee_name
 * @property Money|null $price what it was authorized on; null: not authorized, the file's price holds
 * @property string|null $agent_name who it was authorized for
 * @property Carbon|null $authorized_at
 * @property int|null $authorized_by
 * @property int|null $paper_id
 * @property array<string, mixed> $given what was entered
 * @property array<string, mixed>|null $reckoned what it was authorized from: given and names
 * @property array<string, mixed>|null $expected what it would bring as it stands, and of what it was computed
 * @property string $wording what its authorization says; empty: as the office words it
 * @property-read Paper|null $paper
 * @property-read Disbursement|null $disbursement the authorization in force
 * @property-read Collection<int, Disbursement> $disbursements
 * @property-read Collection<int, CommissionVersion> $versions
 */
final class Commission extends Record
{
    public const CREATED_AT = null;

    /** @var array<string, string> */
    protected $casts = [
        'side' => Side::class,
        'rate' => AsPercent::class,
        'agent_share' => AsPercent::class,
        'fee' => AsMoney::class,
        'price' => AsMoney::class,
        'authorized_at' => 'datetime',
        'given' => 'array',
        'reckoned' => 'array',
        'expected' => 'array',
    ];

    protected $attributes = ['side' => null, 'price' => null, 'agent_name' => null, 'authorized_at' => null, 'paper_id' => null,
        'given' => '{}', 'reckoned' => null, 'agent_share' => null, 'fee' => 0, 'fee_name' => 'Fee',
        'expected' => null, 'wording' => ''];

    /** What was entered, as the reckoning takes it. */
    public function entered(): Entered
    {
        return Entered::fromArray($this->given);
    }

    /** What stands in the columns alone, of a commission that was entered before there were more lines. */
    public function enteredBefore(string $agent): Entered
    {
        return Entered::fromArray([
            'rate' => $this->rate->decimal(),
            'base' => 'price',
            'agents' => [],
            'splits' => $this->agent_share === null ? [] : [$agent => $this->agent_share->decimal()],
            'fees' => $this->fee->isZero() ? [] : [[
                'label' => $this->fee_name,
                'amount' => $this->fee->decimal(),
                'payer' => 'agent',
                'payee' => '',
                'counts' => false,
            ]],
        ]);
    }

    /** @return BelongsTo<Paper, $this> */
    public function paper(): BelongsTo
    {
        return $this->belongsTo(Paper::class);
    }

    /** @return HasOne<Disbursement, $this> */
    public function disbursement(): HasOne
    {
        return $this->hasOne(Disbursement::class)->whereNull('withdrawn_at');
    }

    /** @return HasMany<Disbursement, $this> */
    public function disbursements(): HasMany
    {
        return $this->hasMany(Disbursement::class)->orderByDesc('number');
    }

    /** @return HasMany<CommissionVersion, $this> the newest first */
    public function versions(): HasMany
    {
        return $this->hasMany(CommissionVersion::class)->orderByDesc('id');
    }
}
