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
 * @property list<string> $columns
 * @property array<int, string> $matched
 * @property string $state matching, tried, running, done
 * @property-read Office $office
 */
final class Import extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['columns' => 'array', 'matched' => 'array'];

    /** @return HasMany<ImportLine, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(ImportLine::class)->orderBy('number');
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
