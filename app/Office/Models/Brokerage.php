<?php

declare(strict_types=1);

namespace App\Office\Models;

use App\Access\HasKey;
use App\Access\Record;

/**
 * The firm: nothing of one is ever seen by another.
 *
 * @property int $id
 * @property string $key
 * @property string $name
 */
final class Brokerage extends Record
{
    use HasKey;

    public const UPDATED_AT = null;
}
