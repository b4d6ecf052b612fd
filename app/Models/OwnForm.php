<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Support\Carbon;
use Unanimus\Forms\Form;
use Unanimus\Forms\FormDraft;

/**
 * One revision of a form of the brokerage’s own: in the making, in force, superseded by a later one, or retired.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property string $number
 * @property string $revision
 * @property string $title
 * @property string $stage
 * @property string $status
 * @property string $sha256
 * @property list<array{float, float}> $pages
 * @property list<array<string, mixed>> $items
 * @property string $source
 * @property list<string> $notes
 * @property int $user_id
 * @property Carbon|null $published_at
 * @property Carbon $updated_at
 */
final class OwnForm extends Record
{
    use HasKey;

    /** What the set is called in which they stand. */
    public const SET = 'Our forms';

    /** @var array<string, string> */
    protected $casts = ['pages' => 'array', 'items' => 'array', 'notes' => 'array', 'published_at' => 'datetime'];

    protected $attributes = [
        'number' => '',
        'revision' => '',
        'status' => 'making',
        'source' => '',
        'notes' => '[]',
        'published_at' => null,
    ];

    public function isInTheMaking(): bool
    {
        return $this->status === 'making';
    }

    public function draft(): FormDraft
    {
        return FormDraft::of(array_map(static fn (array $size) => [(float) $size[0], (float) $size[1]], $this->pages), $this->items);
    }
}
