<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What stands in a blank of a paper now.
 *
 * @property int $paper_id
 * @property string $blank
 * @property string $value
 */
final class PaperValue extends Record
{
    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'paper_id';
}
