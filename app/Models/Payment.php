<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use App\Models\Casts\AsMoney;
use Illuminate\Support\Carbon;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;
use Unanimus\Parties\Side;

/**
 * That a payee of an authorized disbursement was paid.
 *
 * @property int $id
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property int $disbursement_id
 * @property Side|null $side
 * @property string $payee what they go under on the sheet
 * @property Money $amount
 * @property string $how check, transfer, by escrow
 * @property string $reference number of the check or transfer
 * @property LocalDate $paid_on
 * @property int $user_id who noted it
 * @property Carbon|null $struck_at it was noted by mistake
 * @property string $struck_why
 */
final class Payment extends Record
{
    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['side' => Side::class, 'amount' => AsMoney::class, 'paid_on' => AsDay::class, 'struck_at' => 'datetime'];

    protected $attributes = ['struck_at' => null, 'struck_why' => ''];
}
