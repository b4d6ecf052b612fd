<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Support\Carbon;

/**
 * A finished PDF of a round: the whole set, or one of its papers with its own evidence record behind it.
 *
 * @property int $id
 * @property string $key
 * @property int $round_id
 * @property int|null $round_paper_id the paper it is of; null for the whole set
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
