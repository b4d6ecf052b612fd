<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use App\Models\Concerns\HasKey;
use App\Models\Concerns\HasLink;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Parties\Language;

/**
 * A link on which one person may read papers put together, until a last day.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property int $assembled_set_id
 * @property string $name
 * @property string $email
 * @property string $message
 * @property LocalDate $last_day
 * @property int $link_version
 * @property Language $language in which they read
 * @property Carbon|null $ended_at
 * @property int $user_id
 * @property Carbon $created_at
 * @property-read AssembledSet $set
 * @property-read DealFile $file
 * @property-read User $giver
 */
final class ReadingCopy extends Record
{
    use HasKey;
    use HasLink;

    private const LINK = 'read';

    private const FOUND_BY = 'reading_copy_of_link';

    /** @var array<string, string> */
    protected $casts = ['last_day' => AsDay::class, 'ended_at' => 'datetime', 'language' => Language::class];

    protected $attributes = ['email' => '', 'message' => '', 'link_version' => 1, 'language' => 'en', 'ended_at' => null];

    /** @return BelongsTo<AssembledSet, $this> */
    public function set(): BelongsTo
    {
        return $this->belongsTo(AssembledSet::class, 'assembled_set_id');
    }

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return BelongsTo<User, $this> */
    public function giver(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    public function isOpen(): bool
    {
        return $this->ended_at === null && ! $this->last_day->isBefore($this->file->office->today());
    }

    /** Notes that it was looked at. */
    public function note(string $what, string $address): void
    {
        DB::table('reading_copy_looks')->insert([
            'brokerage_id' => $this->brokerage_id,
            'reading_copy_id' => $this->id,
            'what' => $what,
            'address' => mb_substr($address, 0, 60),
        ]);
    }

    /** @return list<object{what: string, at: string, address: string}> what was done with it, the latest first */
    public function looks(): array
    {
        return array_values(
            DB::table('reading_copy_looks')
                ->where('reading_copy_id', $this->id)
                ->orderByDesc('id')
                ->limit(100)
                ->get(['what', 'at', 'address'])
                ->all(),
        );
    }
}
