<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperRefusal;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Form;
use Unanimus\Forms\Library;
use Unanimus\Forms\PaperReading;
use Unanimus\Pages\Bookmark;
use Unanimus\Parties\Side;
use Unanimus\Review\ReviewState;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\Facts;

/**
 * Anything in a file that can be printed.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property string $title
 * @property string|null $form_number
 * @property string|null $form_revision
 * @property string $stage
 * @property PaperState $state
 * @property int $position
 * @property string $reason
 * @property Side|null $side whose own it is; null: both sides'
 * @property bool $staff_only whether only the office and the file's coordinator see it
 * @property string $called_by
 * @property bool $is_action whether something is done instead of brought
 * @property string $done_note what was said when it was done
 * @property list<string> $tags
 * @property int|null $latest_version_id kept by the database as versions are added
 * @property int|null $change_of the signed paper that this is a change of
 * @property int|null $shelf_item_id where it comes from the shelf
 * @property int|null $shelf_version the version of it that it has
 * @property-read DealFile $file
 * @property-read Collection<int, PaperValue> $values
 * @property-read Collection<int, PaperVersion> $versions
 * @property-read PaperVersion|null $latest
 * @property-read Collection<int, WorkingCopyPaper> $returned
 * @property-read Requirement|null $requirement
 */
final class Paper extends Record
{
    use HasKey;

    /** @var array{Facts, mixed, Filling}|null by which facts and values, and what it came to */
    private ?array $filled = null;

    protected $attributes = [
        'form_number' => null,
        'form_revision' => null,
        'latest_version_id' => null,
        'reason' => '',
        'side' => null,
        'staff_only' => false,
        'called_by' => '',
        'change_of' => null,
        'tags' => '[]',
        'is_action' => false,
        'done_note' => '',
    ];

    /** @var array<string, string> */
    protected $casts = [
        'side' => Side::class,
        'staff_only' => 'boolean',
        'state' => PaperState::class,
        'tags' => 'array',
        'is_action' => 'boolean',
    ];

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return HasMany<PaperValue, $this> */
    public function values(): HasMany
    {
        return $this->hasMany(PaperValue::class);
    }

    /** @return HasMany<PaperVersion, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(PaperVersion::class)->orderBy('number');
    }

    /** @return BelongsTo<PaperVersion, $this> */
    public function latest(): BelongsTo
    {
        return $this->belongsTo(PaperVersion::class, 'latest_version_id');
    }

    /** @return HasMany<WorkingCopyPaper, $this> what the other side's agent sent back of it */
    public function returned(): HasMany
    {
        return $this->hasMany(WorkingCopyPaper::class)->whereNotNull('returned_sha256')->orderBy('id');
    }

    /** @return HasOne<Requirement, $this> */
    public function requirement(): HasOne
    {
        return $this->hasOne(Requirement::class);
    }

    /** The form it is on, in the revision it was begun on. */
    public function form(): ?Form
    {
        return $this->form_number === null ? null : app(Library::class)->form($this->form_number, $this->form_revision);
    }

    /** The revision of its form that has come into force since it was begun; null when it stands on that. */
    public function newerForm(): ?Form
    {
        $now = $this->form_number === null || ! $this->isDraft() ? null : app(Library::class)->form($this->form_number);

        return $now === null || $now->retired || $now->revision === $this->form_revision ? null : $now;
    }

    /** Whether entries may still be made on it. */
    public function isDraft(): bool
    {
        return $this->form_number !== null && $this->state === PaperState::Draft;
    }

    /**
     * Moves it to another state, with whatever else changes with that.
     *
     * @param array<string, mixed> $with
     *
     * @throws StepRefused when it cannot go there from where it is
     */
    public function moveTo(PaperState $state, array $with = []): void
    {
        $this->update(['state' => $this->state->to($state), ...$with]);
    }

    /** Why nothing on it can be changed now; null when it can. */
    public function refusesChange(): ?PaperRefusal
    {
        return $this->state->refusesChange($this->requirement?->review_state->isWithReviewer() ?? false);
    }

    /**
     * Holds the row until the transaction ends, so that one change comes after another and none after the paper has gone out.
     *
     * @throws StepRefused when nothing on it can be changed any more
     */
    public function lockForChange(): void
    {
        $now =
            DB::selectOne(
                'SELECT p.state, r.review_state FROM papers p LEFT JOIN requirements r ON r.paper_id = p.id WHERE p.id = ? LIMIT 1 FOR '.
                    'UPDATE OF p',
                [$this->id],
            ) ?? throw PaperRefusal::NotSeen->because();
        $this->setRawAttributes([...$this->getAttributes(), 'state' => $now->state], true);
        $refusal = $this->state->refusesChange(ReviewState::tryFrom((string) $now->review_state)?->isWithReviewer() ?? false);
        if ($refusal !== null) {
            throw $refusal->because();
        }
    }

    /** @return list<Bookmark> the headings of its form, where its pages are still those of the form */
    public function sections(): array
    {
        return $this->latest?->made_by === MadeBy::Uploaded ? [] : $this->form()->sections ?? [];
    }

    public function seenBy(): SeenBy
    {
        return new SeenBy($this->side, $this->staff_only);
    }

    /** @return array<string, string> what was entered on it, by blank */
    public function entries(): array
    {
        return $this->values->pluck('value', 'blank')->all();
    }

    /** What stands in the blanks of its form by what is known; null where it is none of ours. Worked out once for the same facts. */
    public function filling(Facts $facts): ?Filling
    {
        $form = $this->form();
        if ($form === null) {
            return null;
        }
        if ($this->filled === null || $this->filled[0] !== $facts || $this->filled[1] !== $this->values) {
            $this->filled = [$facts, $this->values, Filling::of($form, $this->entries(), $facts)];
        }

        return $this->filled[2];
    }

    /** @return array<string, string> what stands in its blanks: as read from its pages where they came from outside, else as entered */
    public function answers(): array
    {
        $read = $this->latest?->read()->form;

        return $read !== null && $read->form === $this->form_number ? $read->values + $this->entries() : $this->entries();
    }

    /** Whether the entry that a device gave this key is stored already. */
    public function hasEntry(string $clientKey): bool
    {
        return DB::table('paper_entries')->where('paper_id', $this->id)->where('client_key', $clientKey)->exists();
    }

    /**
     * Keeps an entry as its own event and as what stands now; the same client key again changes nothing.
     *
     * @param string|null $value as kept; null takes the entry away, so that the blank follows its term again
     * @param string|null $source what it was carried over from, in words; null: it was entered
     * @return bool whether it was new
     */
    public function keepEntry(string $blank, ?string $value, string $clientKey, ?int $userId, ?string $source = null): bool
    {
        $new = DB::selectOne(
            'INSERT INTO paper_entries (brokerage_id, deal_file_id, paper_id, blank, value, client_key, user_id, by_name, source) VALUES '.
                '(?, ?, ?, ?, ?, ?, ?, ?, ?) ON CONFLICT (paper_id, client_key) DO NOTHING RETURNING id',
            [
                $this->brokerage_id,
                $this->deal_file_id,
                $this->id,
                $blank,
                $value,
                $clientKey,
                $userId,
                app(Actor::class)->outsider(),
                $source,
            ],
        );
        if ($new === null) {
            return false;
        }
        $this->relationLoaded('values') &&
            $this->setRelation(
                'values',
                $this->values
                    ->reject(static fn (PaperValue $one) => $one->blank === $blank)
                    ->when(
                        $value !== null,
                        fn ($values) => $values->push(
                            (new PaperValue())->forceFill(['paper_id' => $this->id, 'blank' => $blank, 'value' => $value]),
                        ),
                    )
                    ->values(),
            );
        if ($value === null) {
            DB::table('paper_values')->where('paper_id', $this->id)->where('blank', $blank)->delete();

            return true;
        }
        DB::table('paper_values')->upsert(
            [
                [
                    'paper_id' => $this->id,
                    'brokerage_id' => $this->brokerage_id,
                    'deal_file_id' => $this->deal_file_id,
                    'blank' => $blank,
                    'value' => $value,
                    'entry_id' => $new->id,
                ],
            ],
            ['paper_id', 'blank'],
            ['value', 'entry_id'],
        );

        return true;
    }

    /**
     * Adds a version from bytes that are kept already.
     *
     * @param PaperReading $read what stands on it and what its pages lack
     * @param string|null $original the SHA-256 of the file as it came, where these bytes are a copy of one that is signed
     */
    public function addVersion(
        string $sha256,
        int $pages,
        MadeBy $madeBy,
        string $note = '',
        ?int $userId = null,
        int $firstPage = 1,
        PaperReading $read = new PaperReading(),
        ?string $original = null,
        bool $fromPhoto = false,
    ): PaperVersion {
        $number = (int) DB::table('paper_versions')->where('paper_id', $this->id)->max('number') + 1;

        $version = $this->versions()->create([
            'brokerage_id' => $this->brokerage_id,
            'deal_file_id' => $this->deal_file_id,
            'number' => $number,
            'sha256' => $sha256,
            'first_page' => $firstPage,
            'pages' => $pages,
            'made_by' => $madeBy,
            'note' => $note,
            'user_id' => $userId,
            'made_at' => now(),
            'reading' => $read->kept(),
            'findings' => $read->lacks,
            'original_sha256' => $original,
            'from_photo' => $fromPhoto,
        ]);
        $this->setRelation('latest', $version)
            ->forceFill(['latest_version_id' => $version->id])
            ->syncOriginalAttribute('latest_version_id');

        return $version;
    }
}
