<?php

declare(strict_types=1);

namespace App\Files\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A colleague who serves a file.
 *
 * @property int $deal_file_id
 * @property int $user_id
 * @property string $role
 * @property string|null $side
 */
final class Member extends Model
{
    public $timestamps = false;

    protected $table = 'file_members';
}
