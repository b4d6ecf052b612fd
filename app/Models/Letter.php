<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Carbon;

/**
 * A letter that goes out once.
 *
 * @property int $id
 * @property int $brokerage_id
 * @property int|null $deal_file_id
 * @property string $once_key
 * @property string $recipient_name
 * @property string $recipient
 * @property string $subject
 * @property string $body
 * @property string|null $action_label
 * @property string|null $action where its button leads: a path, or whose link it is ("signer KEY"); the link itself is made as it goes out
 * @property string|null $attachment
 * @property string|null $attachment_name
 * @property Carbon $created_at
 * @property Carbon|null $sent_at
 * @property Carbon|null $returned_at when the mail system brought it back
 * @property string|null $returned_because why, in words
 */
final class Letter extends Record
{
    public const UPDATED_AT = null;

    /** @var array<string, string> */
    protected $casts = ['sent_at' => 'datetime', 'returned_at' => 'datetime'];
}
