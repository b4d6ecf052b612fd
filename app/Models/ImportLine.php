<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A row of a spreadsheet, and what became of it.
 *
 * @property int $id
 * @property int $brokerage_id
 * @property int $import_id
 * @property int $number in the table, the headings being 1
 * @property list<string> $cells
 * @property string $outcome waiting, fit, unfit, twin, opened
 * @property string $told
 * @property int|null $deal_file_id
 */
final class ImportLine extends Record
{
    public $timestamps = false;

    protected $table = 'import_rows';

    /** @var array<string, string> */
    protected $casts = ['cells' => 'array'];
}
