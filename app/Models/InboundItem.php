<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Support\Carbon;

/**
 * What arrived and is not in a file yet.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property string $message_id
 * @property string $sender
 * @property string $subject
 * @property string $body
 * @property list<array{name: string, sha256: string, size: int}> $attachments
 * @property string $sha256
 * @property Carbon $received_at
 */
final class InboundItem extends Record
{
    use HasKey;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['attachments' => 'array', 'received_at' => 'datetime'];
}
