<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\DeliveryHow;

/**
 * That a version of a paper reached somebody of its file.
 *
 * @property int $id
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property int $paper_id
 * @property int $paper_version_id
 * @property int $party_id
 * @property DeliveryHow $how
 * @property string $note
 * @property LocalDate $on_day at the office
 * @property int|null $user_id who noted it
 */
final class Delivery extends Record
{
    public $timestamps = false;

    protected $table = 'deliveries';

    /** @var array<string, string> */
    protected $casts = ['how' => DeliveryHow::class, 'on_day' => AsDay::class];
}
