<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;

/**
 * Someone in the address book: the brokerage’s standing contacts, and each person's own.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int|null $user_id
 * @property string $role
 * @property string $name
 * @property string|null $firm
 * @property string|null $email
 * @property string|null $phone
 * @property string|null $address
 * @property bool $standing
 */
final class Contact extends Record
{
    use HasKey;

    protected $attributes = [
        'user_id' => null,
        'role' => 'other',
        'firm' => null,
        'email' => null,
        'phone' => null,
        'address' => null,
        'standing' => false,
    ];

    /** @var array<string, string> */
    protected $casts = ['standing' => 'boolean'];
}
