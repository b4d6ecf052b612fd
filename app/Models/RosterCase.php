<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Unanimus\Dates\LocalDate;
use Unanimus\Roster\RosterKind;

/**
 * Somebody who comes or goes.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $user_id
 * @property int $office_id
 * @property RosterKind $kind
 * @property LocalDate $day the first day, or the last
 * @property string $goes_to where the license goes
 * @property int|null $papers_file the file with its papers
 * @property Carbon|null $settled_at
 * @property Carbon|null $canceled_at
 * @property-read User $person
 * @property-read Office $office
 * @property-read DealFile|null $papers
 * @property-read Collection<int, RosterStep> $steps
 */
final class RosterCase extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['kind' => RosterKind::class, 'day' => AsDay::class, 'settled_at' => 'datetime', 'canceled_at' => 'datetime'];

    protected $attributes = ['goes_to' => '', 'papers_file' => null, 'settled_at' => null, 'canceled_at' => null];

    public function isOpen(): bool
    {
        return $this->settled_at === null && $this->canceled_at === null;
    }

    /** @return BelongsTo<User, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    /** @return BelongsTo<Office, $this> */
    public function office(): BelongsTo
    {
        return $this->belongsTo(Office::class);
    }

    /** @return BelongsTo<DealFile, $this> */
    public function papers(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'papers_file');
    }

    /** @return HasMany<RosterStep, $this> */
    public function steps(): HasMany
    {
        return $this->hasMany(RosterStep::class)->orderBy('due_on')->orderBy('id');
    }
}
