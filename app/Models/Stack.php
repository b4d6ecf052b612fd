<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Unanimus\Intake\SortingTable;
use Unanimus\Intake\TablePencil;
use Unanimus\Parties\Side;

/**
 * Pages that lie on the sorting table, from an upload, from a paper of a file, or from mail.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int|null $deal_file_id null: from mail that is in no file yet
 * @property Side|null $side
 * @property bool $staff_only
 * @property int|null $user_id who laid it out; null: it came by mail
 * @property string $name
 * @property int|null $upload_id
 * @property int|null $paper_id
 * @property list<int> $items of the inbox
 * @property list<array{name: string, sha256: string, pages: int, first: int}> $sources
 * @property list<array<string, mixed>|null> $reads what each was read as; null: not yet
 * @property string $told what could not be laid out, in words
 * @property int $step how it lies now
 * @property int $last_step up to which steps can be done again
 * @property Carbon|null $ready_at since when its pages lie there
 * @property list<array{paper: string, title: string, file: string}> $filed
 * @property Carbon|null $settled_at
 * @property-read DealFile|null $file
 * @property-read Paper|null $paper
 * @property-read Upload|null $upload
 */
final class Stack extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = [
        'side' => Side::class,
        'staff_only' => 'boolean',
        'items' => 'array',
        'sources' => 'array',
        'reads' => 'array',
        'filed' => 'array',
        'ready_at' => 'datetime',
        'settled_at' => 'datetime',
    ];

    protected $attributes = [
        'deal_file_id' => null,
        'side' => null,
        'staff_only' => false,
        'upload_id' => null,
        'paper_id' => null,
        'items' => '[]',
        'sources' => '[]',
        'reads' => '[]',
        'told' => '',
        'step' => 0,
        'last_step' => 0,
        'ready_at' => null,
        'filed' => '[]',
        'settled_at' => null,
    ];

    /** How its pages lie now. */
    public function table(): SortingTable
    {
        $kept = DB::table('stack_layouts')->where('stack_id', $this->id)->where('number', $this->step)->value('layout');

        return $kept === null
            ? SortingTable::laid(array_column($this->sources, 'pages'))
            : SortingTable::fromArray((array) json_decode((string) $kept, true, 64, JSON_THROW_ON_ERROR));
    }

    /** What the machine proposes for how they lie now. */
    public function pencil(SortingTable $table): TablePencil
    {
        return TablePencil::of($table, $this->reads);
    }

    /** Whether what its pages say has been read, all of it. */
    public function isRead(): bool
    {
        return $this->ready_at !== null && count(array_filter($this->reads)) === count($this->sources);
    }

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

    /** @return BelongsTo<Upload, $this> */
    public function upload(): BelongsTo
    {
        return $this->belongsTo(Upload::class, 'upload_id');
    }
}
