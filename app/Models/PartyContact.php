<?php

declare(strict_types=1);

namespace App\Models;

use Unanimus\Parties\Side;

/**
 * How to reach a party.
 *
 * @property int $party_id
 * @property string|null $email
 * @property string|null $phone
 * @property string|null $address
 */
final class PartyContact extends Record
{
    /** @var array<string, string> */
    protected $casts = ['side' => Side::class];

    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'party_id';
}
