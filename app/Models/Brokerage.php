<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;

/**
 * The firm: nothing of one is ever seen by another.
 *
 * @property int $id
 * @property string $key
 * @property string $name
 * @property list<string> $sorts_mail roles that sort the mail which came to nobody's own address
 * @property int|null $noticed_id the last entry of a history that people were told of
 * @property bool $sets_up whether it is new, and its administrator is led through setting up
 * @property string|null $sender_name whom its letters come from; null: as it is called
 * @property string|null $sender_address null: as this installation sends
 * @property string|null $address of its own, at which its people sign in and to which its emails lead; null: that of the installation
 */
final class Brokerage extends Record
{
    use HasKey;

    public const UPDATED_AT = null;

    /** @var array<string, string> */
    protected $casts = ['sorts_mail' => 'array', 'sets_up' => 'bool'];
}
