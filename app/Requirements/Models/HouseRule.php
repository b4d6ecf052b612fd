<?php

declare(strict_types=1);

namespace App\Requirements\Models;

use App\Access\HasKey;
use App\Access\Record;
use Unanimus\Requirements\Rule;

/**
 * A rule of the house, as its administrator keeps it.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $position
 * @property array<string, mixed> $definition
 * @property bool $active
 */
final class HouseRule extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['definition' => 'array', 'active' => 'boolean'];

    public function rule(): Rule
    {
        return Rule::fromArray($this->definition);
    }
}
