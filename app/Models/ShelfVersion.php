<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * How something on the shelf stood.
 *
 * @property int $shelf_item_id
 * @property int $brokerage_id
 * @property int $version
 * @property string|null $sha256
 * @property string|null $came_as hash of the file it came as
 * @property int $pages
 * @property string $name
 * @property string|null $url
 * @property string $note
 * @property Carbon $made_at
 * @property-read User|null $maker
 */
final class ShelfVersion extends Record
{
    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'version';

    /** @var array<string, string> */
    protected $casts = ['made_at' => 'datetime'];

    /** @return BelongsTo<User, $this> */
    public function maker(): BelongsTo
    {
        return $this->belongsTo(User::class, 'made_by');
    }
}
