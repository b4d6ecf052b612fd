<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use App\Models\Concerns\HasKey;
use App\Models\Concerns\HasLink;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Unanimus\Dates\LocalDate;

/**
 * Papers of a file that the other side's agent has signed by their own clients, on a link with a last day.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id whose papers they are
 * @property int $guest_file_id in which the guest works
 * @property int $guest_id
 * @property string $name
 * @property string $firm
 * @property string $email
 * @property string $message
 * @property LocalDate $last_day
 * @property int $link_version
 * @property Carbon|null $opened_at
 * @property Carbon|null $ended_at
 * @property int $user_id
 * @property-read DealFile $file
 * @property-read DealFile $guestFile
 * @property-read User $giver
 * @property-read Collection<int, WorkingCopyPaper> $papers
 */
final class WorkingCopy extends Record
{
    use HasKey;
    use HasLink;

    private const LINK = 'work';

    private const FOUND_BY = 'working_copy_of_link';

    /** @var array<string, string> */
    protected $casts = ['last_day' => AsDay::class, 'opened_at' => 'datetime', 'ended_at' => 'datetime'];

    protected $attributes = ['firm' => '', 'email' => '', 'message' => '', 'link_version' => 1, 'opened_at' => null, 'ended_at' => null];

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return BelongsTo<DealFile, $this> */
    public function guestFile(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'guest_file_id');
    }

    /** @return BelongsTo<User, $this> */
    public function giver(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    /** @return HasMany<WorkingCopyPaper, $this> */
    public function papers(): HasMany
    {
        return $this->hasMany(WorkingCopyPaper::class)->orderBy('id');
    }

    /** Whether it can be worked on now, by the day of the office that gave it. */
    public function isOpen(LocalDate $today): bool
    {
        return $this->ended_at === null && ! $this->last_day->isBefore($today);
    }

    /** Who it was given to, with their firm. */
    public function agent(): string
    {
        return $this->firm === '' ? $this->name : "{$this->name} of {$this->firm}";
    }
}
