<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A kit that was applied to a file, by hand or by itself.
 *
 * @property int $deal_file_id
 * @property string $kit
 * @property int $version
 * @property bool $by_itself
 */
final class FileKit extends Record
{
    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['by_itself' => 'boolean'];
}
