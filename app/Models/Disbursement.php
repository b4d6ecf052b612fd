<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use App\Models\Casts\AsMoney;
use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Unanimus\Commission\CommissionSheet;
use Unanimus\Commission\Payee;
use Unanimus\Commission\Payments;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;
use Unanimus\Parties\Side;

/**
 * An authorization of a disbursement, numbered; one that was withdrawn stays.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property int $commission_id
 * @property Side|null $side
 * @property int $number
 * @property LocalDate $closing
 * @property Money $price
 * @property Money $gross
 * @property Money $company
 * @property array<string, mixed> $reckoned given and names
 * @property string $wording as it was said
 * @property string $despite why it was released before the review was complete
 * @property int|null $paper_id
 * @property Carbon $authorized_at
 * @property int $authorized_by
 * @property Carbon|null $withdrawn_at
 * @property int|null $withdrawn_by
 * @property string $withdrawn_why
 * @property string $sent_to name and address it was sent to
 * @property Carbon|null $sent_at
 * @property LocalDate|null $received_on
 * @property string $received_note
 * @property Money|null $wired what came in at the company
 * @property LocalDate|null $wired_on
 * @property-read Paper|null $paper
 * @property-read User $authorizer
 * @property-read DealFile $file
 * @property-read Collection<int, Payment> $payments
 */
final class Disbursement extends Record
{
    use HasKey;

    public const CREATED_AT = null;

    /** @var array<string, string> */
    protected $casts = [
        'side' => Side::class,
        'closing' => AsDay::class,
        'price' => AsMoney::class,
        'gross' => AsMoney::class,
        'company' => AsMoney::class,
        'reckoned' => 'array',
        'authorized_at' => 'datetime',
        'withdrawn_at' => 'datetime',
        'sent_at' => 'datetime',
        'received_on' => AsDay::class,
        'wired' => AsMoney::class,
        'wired_on' => AsDay::class,
    ];

    protected $attributes = ['despite' => '', 'withdrawn_at' => null, 'withdrawn_why' => '', 'sent_to' => '', 'sent_at' => null,
        'received_on' => null, 'received_note' => '', 'wired' => null, 'wired_on' => null, 'side' => null];

    /** @return BelongsTo<Paper, $this> */
    public function paper(): BelongsTo
    {
        return $this->belongsTo(Paper::class);
    }

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return BelongsTo<User, $this> */
    public function authorizer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'authorized_by');
    }

    /** @return HasMany<Payment, $this> those that were not noted by mistake */
    public function payments(): HasMany
    {
        return $this->hasMany(Payment::class)->whereNull('struck_at')->orderBy('id');
    }

    /** @return list<Payee> who gets something by it */
    public function payees(): array
    {
        return Payments::due(CommissionSheet::of($this->price, (array) $this->reckoned['given'], (array) $this->reckoned['names']));
    }
}
