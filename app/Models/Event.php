<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Carbon;

/**
 * Something that happened in a round; never changed.
 *
 * @property int $id
 * @property int $round_id
 * @property string|null $seat
 * @property string $kind
 * @property array<string, mixed> $data
 * @property string $once_key
 * @property string|null $address
 * @property string|null $device
 * @property Carbon $at
 */
final class Event extends Record
{
    public $timestamps = false;

    protected $table = 'round_events';

    /** @var array<string, string> */
    protected $casts = ['data' => 'array', 'at' => 'datetime'];
}
