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
 * @property string $closing what stands below the button
 * @property string|null $attachment
 * @property string|null $attachment_name
 * @property int|null $message_id of which message it is one
 * @property bool $own_words whether someone wrote it word by word
 * @property list<array{name: string, address: string, seat: string|null}> $others who gets it together with the recipient
 * @property list<array{sha256: string, name: string}> $more_attached
 * @property string|null $reply_to
 * @property string|null $sender_name who wrote it
 * @property string|null $in_reply_to
 * @property string|null $reference_ids with brackets, oldest first
 * @property string|null $no_more the address that may ask for no more of the kind
 * @property Carbon $created_at
 * @property Carbon|null $sent_at
 * @property Carbon|null $returned_at when the mail system brought it back
 * @property string|null $returned_because why, in words
 */
final class Letter extends Record
{
    public const UPDATED_AT = null;

    /** @var array<string, string> */
    protected $casts = [
        'sent_at' => 'datetime',
        'returned_at' => 'datetime',
        'own_words' => 'boolean',
        'others' => 'array',
        'more_attached' => 'array',
    ];

    protected $attributes = ['closing' => '', 'own_words' => false, 'others' => '[]', 'more_attached' => '[]'];
}
