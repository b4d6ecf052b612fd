<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Unanimus\Shelf\ShelfEntry;
use Unanimus\Shelf\ShelfKind;

/**
 * A document or a link on the shelf.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int|null $office_id whose; null: everybody's
 * @property int|null $user_id whose own sheet it is
 * @property string $words of their own
 * @property array<string, string> $facts what its version was made of
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
    protected $casts = ['kind' => ShelfKind::class, 'put_away_at' => 'datetime', 'facts' => 'array'];

    protected $attributes = ['office_id' => null, 'url' => null, 'version' => 1, 'put_away_at' => null, 'user_id' => null,
        'words' => '', 'facts' => '{}'];

    /**
     * What a file could take from the shelf.
     *
     * @return Collection<int, self>
     */
    public static function forFiles(User $user): Collection
    {
        return self::inUse($user)->where('kind', '<>', ShelfKind::Link)->limit(300)->get();
    }

    /**
     * What stands in a file in an older version than on the shelf, and may still be renewed there.
     *
     * @return Collection<int, Paper>
     */
    public static function olderIn(DealFile $file): Collection
    {
        return Paper::query()
            ->with('requirement')
            ->where('papers.deal_file_id', $file->id)
            ->join('shelf_items', 'shelf_items.id', '=', 'papers.shelf_item_id')
            ->whereColumn('shelf_items.version', '>', 'papers.shelf_version')
            ->select('papers.*', 'shelf_items.version AS newest')
            ->get()
            ->filter(static fn (Paper $paper) => ShelfEntry::renews(
                $paper->state,
                (int) $paper->shelf_version,
                (int) $paper->getAttribute('newest'),
                $paper->requirement?->review_state->isWithReviewer() ?? false,
            ));
    }

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
            ->where(static fn (Builder $items) => $items->whereNull('user_id')->orWhere('user_id', $user->id))
            ->orderByRaw('lower(topic), lower(title)');
    }
}
