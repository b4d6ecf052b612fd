<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What a kit said at one time; never changed.
 *
 * @property int $kit_id
 * @property int $version
 * @property array<string, mixed> $definition
 * @property string $made_at
 */
final class KitVersion extends Record
{
    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['definition' => 'array'];
}
