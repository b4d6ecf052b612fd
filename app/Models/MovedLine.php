<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A line of a list that came along: of documents, tasks, people or contacts.
 *
 * @property int $id
 * @property int $brokerage_id
 * @property int $import_id
 * @property string $kind
 * @property int $number in its list, the headings being 1
 * @property array<string, string> $cells what it holds, by column
 * @property int|null $row_number of the spreadsheet of files
 * @property int|null $deal_file_id
 * @property string $outcome waiting, asked, done, refused
 * @property string $told
 */
final class MovedLine extends Record
{
    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['cells' => 'array'];
}
