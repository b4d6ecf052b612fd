<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Unanimus\Shelf\ShelfKind;

/**
 * A document or a link on the shelf.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int|null $office_id whose; null: everybody's
 * @property ShelfKind $kind
 * @property string $topic
 * @property string $title
 * @property string|null $url
 * @property int $version
 * @property Carbon|null $put_away_at
 * @property Carbon|null $updated_at
 * @property-read Office|null $office
 */
final class ShelfItem extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['kind' => ShelfKind::class, 'put_away_at' => 'datetime'];

    protected $attributes = ['office_id' => null, 'url' => null, 'version' => 1, 'put_away_at' => null];

    /** @return BelongsTo<Office, $this> */
    public function office(): BelongsTo
    {
        return $this->belongsTo(Office::class);
    }

    /** @return HasMany<ShelfVersion, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(ShelfVersion::class)->orderByDesc('version');
    }

    /** @return Builder<self> those that a person uses, in the order they stand */
    public static function inUse(User $user): Builder
    {
        return self::query()->whereNull('put_away_at')
            ->where(static fn (Builder $items) => $items->whereNull('office_id')->orWhereIn('office_id', $user->officeRoles
                ->pluck('office_id')))
            ->orderByRaw('lower(topic), lower(title)');
    }
}
