<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A spreadsheet on its way to becoming files.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $office_id
 * @property int $user_id
 * @property string $name
 * @property string|null $sha256 of the spreadsheet, until its rows are files
 * @property string|null $parcel_sha256 of the ZIP it came in, until all of that is read
 * @property string $root the folder of the parcel that everything lies in
 * @property array<string, int> $folders which row a folder belongs to, where a person said so; 0: none
 * @property list<string> $columns
 * @property array<int, string> $matched
 * @property string $state matching, tried, running, done
 * @property-read Office $office
 */
final class Import extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['columns' => 'array', 'matched' => 'array', 'folders' => 'array'];

    protected $attributes = ['folders' => '{}', 'root' => '', 'parcel_sha256' => null];

    /** @return HasMany<ImportLine, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(ImportLine::class)->orderBy('number');
    }

    /** @return HasMany<MovedPaper, $this> */
    public function papers(): HasMany
    {
        return $this->hasMany(MovedPaper::class)->orderBy('id');
    }

    /** @return HasMany<MovedLine, $this> */
    public function lists(): HasMany
    {
        return $this->hasMany(MovedLine::class)->orderBy('number');
    }

    /** @return BelongsTo<Office, $this> */
    public function office(): BelongsTo
    {
        return $this->belongsTo(Office::class);
    }

    /** @return array<string, int> rows by their outcome */
    public function counts(): array
    {
        return $this->lines()
            ->reorder()
            ->groupBy('outcome')
            ->selectRaw('outcome, count(*) AS n')
            ->pluck('n', 'outcome')
            ->map(static fn ($n) => (int) $n)
            ->all();
    }
}
