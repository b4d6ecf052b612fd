<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use App\Models\Concerns\HasKey;
use App\Models\Concerns\HasLink;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Unanimus\Dates\LocalDate;
use Unanimus\Parties\Language;
use Unanimus\Parties\Side;

/**
 * A link on which somebody brings papers to a file, until a last day.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property Side|null $side
 * @property string $name
 * @property string $email
 * @property string $message
 * @property Language $language
 * @property LocalDate $last_day
 * @property int $link_version
 * @property Carbon|null $opened_at
 * @property LocalDate|null $reminded_on
 * @property Carbon|null $ended_at
 * @property int $user_id
 * @property Carbon $created_at
 * @property-read DealFile $file
 * @property-read User $asker
 * @property-read \Illuminate\Database\Eloquent\Collection<int, AskedForPaper> $asked
 */
final class PaperRequest extends Record
{
    use HasKey;
    use HasLink;

    private const LINK = 'bring';

    private const FOUND_BY = 'paper_request_of_link';

    /** @var array<string, string> */
    protected $casts = [
        'last_day' => AsDay::class,
        'reminded_on' => AsDay::class,
        'opened_at' => 'datetime',
        'ended_at' => 'datetime',
        'language' => Language::class,
        'side' => Side::class,
    ];

    protected $attributes = [
        'side' => null,
        'email' => '',
        'message' => '',
        'link_version' => 1,
        'language' => 'en',
        'opened_at' => null,
        'reminded_on' => null,
        'ended_at' => null,
    ];

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return BelongsTo<User, $this> */
    public function asker(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    /** @return HasMany<AskedForPaper, $this> */
    public function asked(): HasMany
    {
        return $this->hasMany(AskedForPaper::class)->orderBy('id');
    }

    public function isOpen(): bool
    {
        return $this->ended_at === null && ! $this->last_day->isBefore($this->file->office->today());
    }

    /** Whether something asked for by name has not come. */
    public function isWaiting(): bool
    {
        return $this->asked->contains(static fn (AskedForPaper $one) => $one->brought === []);
    }
}
