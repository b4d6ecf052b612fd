<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Unanimus\Dates\LocalDate;
use Unanimus\Parties\Side;
use Unanimus\Review\ReviewState;

/**
 * A line of a file's checklist.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property int|null $paper_id
 * @property string $title
 * @property string $stage
 * @property string $reason
 * @property ReviewState $review_state
 * @property Carbon|null $submitted_at
 * @property int|null $submitted_by
 * @property Carbon|null $decided_at
 * @property Carbon|null $needed_by hour by which its review is needed
 * @property string $needed_why
 * @property int|null $reviewer_id who has taken it
 * @property Carbon|null $taken_at since when somebody reads it
 * @property int|null $read_version_id the version that was decided on last
 * @property int $times_sent_back
 * @property int|null $first_accepted_by where two readers are asked
 * @property Carbon|null $spot_at since when it is to be looked at once more
 * @property int|null $spot_by who did
 * @property string $note
 * @property string $moved_in how it was accepted before the brokerage moved in, in words
 * @property string|null $due_anchor from which day of the deal its own is counted
 * @property int $due_days
 * @property LocalDate|null $due_on until when it is to be met
 * @property Carbon|null $off_asked_at since when somebody asks that it does not apply
 * @property int|null $off_asked_by
 * @property string $off_asked_why
 * @property list<array{title: string, when: string}> $coming what was still to come when it was submitted
 * @property bool $has_further whether further papers meet it
 * @property-read Collection<int, Paper> $further papers that meet it beside its own
 * @property Side|null $side whose own it is; null: both sides'
 * @property bool $staff_only whether only the office and the file's coordinator see it
 * @property-read DealFile $file
 * @property-read Paper|null $paper
 * @property-read Collection<int, Remark> $remarks
 */
final class Requirement extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = [
        'side' => Side::class,
        'staff_only' => 'boolean',
        'review_state' => ReviewState::class,
        'submitted_at' => 'datetime',
        'decided_at' => 'datetime',
        'needed_by' => 'datetime',
        'taken_at' => 'datetime',
        'spot_at' => 'datetime',
        'due_on' => AsDay::class,
        'off_asked_at' => 'datetime',
        'coming' => 'array',
        'has_further' => 'boolean',
    ];

    protected $attributes = [
        'review_state' => 'not_submitted',
        'side' => null,
        'moved_in' => '',
        'staff_only' => false,
        'needed_by' => null,
        'needed_why' => '',
        'reviewer_id' => null,
        'taken_at' => null,
        'read_version_id' => null,
        'times_sent_back' => 0,
        'first_accepted_by' => null,
        'spot_at' => null,
        'spot_by' => null,
        'note' => '',
        'due_anchor' => null,
        'due_days' => 0,
        'due_on' => null,
        'off_asked_at' => null,
        'off_asked_by' => null,
        'off_asked_why' => '',
        'coming' => '[]',
        'has_further' => false,
    ];

    /** How it was accepted elsewhere, before this brokerage worked here; '' when it was decided here. */
    public function acceptedEarlier(): string
    {
        return $this->review_state === ReviewState::Accepted && $this->getAttribute('decided_by') === null ? $this->moved_in : '';
    }

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return BelongsTo<Paper, $this> */
    public function paper(): BelongsTo
    {
        return $this->belongsTo(Paper::class);
    }

    /** @return BelongsToMany<Paper, $this> */
    public function further(): BelongsToMany
    {
        return $this->belongsToMany(Paper::class, 'requirement_papers')->orderBy('papers.position');
    }

    /** Whether it is owed by now and nobody has handed it in. */
    public function isLate(LocalDate $today): bool
    {
        return $this->due_on !== null && $this->due_on->isBefore($today) && ! $this->review_state->isSettled() &&
            ! $this->review_state->isWithReviewer();
    }

    /** @return BelongsTo<User, $this> who asks that it does not apply */
    public function offAsker(): BelongsTo
    {
        return $this->belongsTo(User::class, 'off_asked_by');
    }

    /** @return BelongsTo<User, $this> */
    public function reviewer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'reviewer_id');
    }

    /** @return Collection<int, Remark> what was sent back to whoever works on it, and is not answered */
    public function openRemarks(): Collection
    {
        return $this->remarks
            ->whereNotNull('sent_at')
            ->whereNull('answered_at')
            ->whereNull('resolved_at')
            ->values();
    }

    /** @return HasMany<Remark, $this> */
    public function remarks(): HasMany
    {
        return $this->hasMany(Remark::class)->orderBy('id');
    }
}
