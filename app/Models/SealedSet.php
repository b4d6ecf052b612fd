<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Support\Carbon;

/**
 * The finished PDF of a round.
 *
 * @property int $id
 * @property string $key
 * @property int $round_id
 * @property string $sha256
 * @property int $pages
 * @property Carbon $sealed_at
 */
final class SealedSet extends Record
{
    use HasKey;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['sealed_at' => 'datetime'];
}
