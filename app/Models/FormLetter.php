<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A letter written once and sent again and again, with fields of the deal in braces.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int|null $user_id whose own it is; null: everybody's
 * @property int|null $office_id whose, where it is not everybody's
 * @property string $name
 * @property string $subject
 * @property string $body
 * @property int $version
 * @property Carbon|null $put_away_at
 */
final class FormLetter extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['put_away_at' => 'datetime'];

    protected $attributes = ['user_id' => null, 'office_id' => null, 'version' => 1, 'put_away_at' => null];

    /** @return BelongsTo<Office, $this> */
    public function office(): BelongsTo
    {
        return $this->belongsTo(Office::class);
    }

    /** @return Collection<int, self> those a person may use, by name */
    public static function inUse(User $user): Collection
    {
        return self::query()
            ->whereNull('put_away_at')
            ->where(static fn ($letters) => $letters->whereNull('office_id')
                ->orWhereIn('office_id', $user->officeRoles->pluck('office_id')))
            ->orderByRaw('lower(name)')
            ->limit(200)
            ->get();
    }
}
