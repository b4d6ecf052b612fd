<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A kit of an office or of one person; what it says stands in its versions.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int|null $office_id
 * @property int|null $user_id
 * @property string $name
 * @property int $version
 * @property bool $retired
 */
final class StoredKit extends Record
{
    use HasKey;

    protected $table = 'kits';

    protected $attributes = ['office_id' => null, 'user_id' => null, 'version' => 1, 'retired' => false];

    /** @return HasMany<KitVersion, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(KitVersion::class, 'kit_id')->orderByDesc('version');
    }
}
