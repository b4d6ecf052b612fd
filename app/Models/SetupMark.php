<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Carbon;

/**
 * What was said of a step of setting up.
 *
 * @property int $id
 * @property int $brokerage_id
 * @property string $step
 * @property string $state
 * @property int $user_id
 * @property Carbon $at
 */
final class SetupMark extends Record
{
    public $timestamps = false;

    protected $table = 'setup_steps';

    /** @var array<string, string> */
    protected $casts = ['at' => 'datetime'];
}
