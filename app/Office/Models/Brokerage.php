<?php

declare(strict_types=1);

namespace App\Office\Models;

use App\Access\HasKey;
use Illuminate\Database\Eloquent\Model;

/**
 * The firm: nothing of one is ever seen by another.
 *
 * @property int $id
 * @property string $key
 * @property string $name
 */
final class Brokerage extends Model
{
    use HasKey;

    public const UPDATED_AT = null;
}
