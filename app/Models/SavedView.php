<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;

/**
 * A search that is kept, one's own or shared with the brokerage.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $user_id
 * @property string $name
 * @property string $query
 * @property string $columns
 * @property bool $shared
 */
final class SavedView extends Record
{
    use HasKey;

    public const UPDATED_AT = null;

    /** @var array<string, string> */
    protected $casts = ['shared' => 'boolean'];
}
