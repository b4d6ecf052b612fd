<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use App\Models\Concerns\HasKey;
use App\Models\Concerns\HasLink;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Support\Carbon;
use Unanimus\Dates\LocalDate;
use Unanimus\Forms\Afterwards;
use Unanimus\Forms\FillStatus;
use Unanimus\Parties\Language;
use Unanimus\Parties\Side;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SignerStatus;

/**
 * What one client is asked to fill, on which papers, until when.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property int $party_id
 * @property Side|null $side
 * @property string $name
 * @property string $email
 * @property string $message
 * @property LocalDate $last_day
 * @property FillStatus $status
 * @property int $link_version
 * @property Afterwards $afterwards what happens once it is filled in
 * @property int|null $round_id in which it is signed then
 * @property Language $language in which they are asked
 * @property int $asked_by
 * @property Carbon|null $opened_at
 * @property LocalDate|null $reminded_on
 * @property Carbon|null $finished_at
 * @property Carbon|null $seen_at when whoever asked put the answers away
 * @property-read DealFile $file
 * @property-read Party $party
 * @property-read User $asker
 * @property-read Collection<int, Paper> $papers
 */
final class FillRequest extends Record
{
    use HasKey;
    use HasLink;

    private const LINK = 'fill';

    private const FOUND_BY = 'fill_request_of_link';

    /** @var array<string, string> */
    protected $casts = [
        'reminded_on' => AsDay::class,
        'last_day' => AsDay::class,
        'side' => Side::class,
        'seen_at' => 'datetime',
        'status' => FillStatus::class,
        'language' => Language::class,
        'afterwards' => Afterwards::class,
        'opened_at' => 'datetime',
        'finished_at' => 'datetime',
    ];

    protected $attributes = [
        'status' => 'out',
        'link_version' => 1,
        'message' => '',
        'side' => null,
        'opened_at' => null,
        'reminded_on' => null,
        'finished_at' => null,
    ];

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return BelongsTo<Party, $this> */
    public function party(): BelongsTo
    {
        return $this->belongsTo(Party::class);
    }

    /** @return BelongsTo<User, $this> */
    public function asker(): BelongsTo
    {
        return $this->belongsTo(User::class, 'asked_by');
    }

    /** @return BelongsToMany<Paper, $this> */
    public function papers(): BelongsToMany
    {
        return $this->belongsToMany(Paper::class, 'fill_request_papers')->withPivot('blanks', 'position')->orderByPivot('position');
    }

    /** @return list<string> names of the blanks asked for on a paper of it */
    public static function asked(Paper $paper): array
    {
        return array_values(
            array_map(strval(...), (array) json_decode((string) $paper->getRelation('pivot')->getAttribute('blanks'), true)),
        );
    }

    public function takes(): bool
    {
        return $this->file->status->isOpen() && $this->status->takes($this->last_day, $this->file->office->today());
    }

    /** Their own part in signing what they filled in, once it is out and their turn; null otherwise. */
    public function toSign(): ?Signer
    {
        return $this->round_id === null
            ? null
            : Signer::query()
                ->where('round_id', $this->round_id)
                ->where('party_id', $this->party_id)
                ->whereIn('status', SignerStatus::asked())
                ->whereHas('round', static fn ($round) => $round->where('status', RoundStatus::Out))
                ->first();
    }
}
