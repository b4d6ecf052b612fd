<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Unanimus\Requirements\Rule;

/**
 * A rule of the brokerage, as its administrator keeps it.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $position
 * @property array<string, mixed> $definition
 * @property bool $active
 */
final class OfficeRule extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['definition' => 'array', 'active' => 'boolean'];

    public function rule(): Rule
    {
        return Rule::fromArray($this->definition);
    }
}
