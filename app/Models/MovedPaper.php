<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Unanimus\Dates\LocalDate;

/**
 * A document that came along with a spreadsheet of files, and what became of it.
 *
 * @property int $id
 * @property int $brokerage_id
 * @property int $import_id
 * @property string $path
 * @property string $folder
 * @property int $entry where its parcel finds it
 * @property int $bytes
 * @property string|null $sha256 null: not read yet
 * @property int|null $row_number of the spreadsheet; null: no row, or none yet
 * @property string $line of the checklist, as a list names it
 * @property string $title
 * @property bool $accepted whether it was accepted before, as a list says
 * @property LocalDate|null $accepted_on
 * @property string $accepted_by
 * @property string $outcome unread, waiting, taken, refused
 * @property string $told
 * @property int|null $deal_file_id
 * @property int|null $paper_id
 * @property-read DealFile|null $file
 * @property-read Paper|null $paper
 */
final class MovedPaper extends Record
{
    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['accepted' => 'boolean', 'accepted_on' => AsDay::class];

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return BelongsTo<Paper, $this> */
    public function paper(): BelongsTo
    {
        return $this->belongsTo(Paper::class, 'paper_id');
    }
}
