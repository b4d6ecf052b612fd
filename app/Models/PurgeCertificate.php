<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Unanimus\Dates\LocalDate;

/**
 * That a file was purged: what, when, by which rule, and where its history ended. Whose file it was it does not say; whoever
 * knows the file's name can prove that it was this one.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $office_id
 * @property string $file_key
 * @property string $name_hash
 * @property string $kind
 * @property string $status
 * @property LocalDate $opened_on
 * @property LocalDate $ended_on
 * @property LocalDate $announced_on
 * @property string $by_rule
 * @property array<string, int> $purged_rows
 * @property int $history_entries
 * @property string $history_hash
 * @property list<string> $bytes_left
 * @property int $bytes_removed
 * @property int $bytes_shared
 * @property Carbon $purged_at
 * @property Carbon|null $finished_at
 * @property-read Office $office
 */
final class PurgeCertificate extends Record
{
    use HasKey;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = [
        'opened_on' => AsDay::class,
        'ended_on' => AsDay::class,
        'announced_on' => AsDay::class,
        'purged_rows' => 'array',
        'bytes_left' => 'array',
        'purged_at' => 'datetime',
        'finished_at' => 'datetime',
    ];

    /** @return BelongsTo<Office, $this> */
    public function office(): BelongsTo
    {
        return $this->belongsTo(Office::class);
    }

    /** What a name's hash is: with the file's own key, so that names cannot be tried out over all certificates at once. */
    public static function hashOf(string $fileKey, string $name): string
    {
        return hash('sha256', "{$fileKey}\n".mb_strtolower(trim($name)));
    }
}
