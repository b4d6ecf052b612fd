<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\AsDay;
use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Carbon;
use Unanimus\Dates\LocalDate;
use Unanimus\Dates\TimeOfDay;
use Unanimus\Parties\Side;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\LastMoment;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundState;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SentPlaces;
use Unanimus\Signing\Turn;

/**
 * One sending for signature.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property Side|null $side whose own it is; null: both sides'
 * @property string $title
 * @property string $subject of the letters; empty for the usual one
 * @property string $message
 * @property bool $attach whether its pages go along with the emails
 * @property string $date_look what dates beside signatures look like, as the office had it when it was sent
 * @property string|null $to_read the SHA-256 of those pages, once it was sent
 * @property list<array{name: string, email: string}> $copies who gets the set in the end besides those who sign
 * @property Carbon|null $send_at when it goes out by itself
 * @property bool $rehearsal whether it is one, for its sender alone
 * @property int|null $countersigns the paper that the broker signs in it from the review desk
 * @property int|null $rehearsal_of the draft it rehearses
 * @property int|null $after_id the round after which it goes out by itself
 * @property string|null $after_when "sent" or "signed": what that one must be
 * @property int|null $again_of the round that ended and was begun again with this one
 * @property string $held_because why it did not go out by itself
 * @property RoundStatus $status
 * @property LocalDate|null $last_day
 * @property string|null $last_time hour of that day, "17:00"; null for the whole of it
 * @property int $user_id
 * @property string|null $reason
 * @property Carbon|null $sent_at
 * @property Carbon|null $over_at
 * @property-read DealFile $file
 * @property-read User $sender
 * @property-read Collection<int, RoundPaper> $papers
 * @property-read Collection<int, Signer> $signers
 * @property-read Collection<int, SigningMark> $marks
 * @property-read Collection<int, Event> $events
 * @property-read SealedSet|null $sealedSet
 * @property-read Collection<int, SealedSet> $sealedPapers
 */
final class Round extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = [
        'last_day' => AsDay::class,
        'side' => Side::class,
        'status' => RoundStatus::class,
        'copies' => 'array',
        'rehearsal' => 'boolean',
        'attach' => 'boolean',
        'send_at' => 'datetime',
        'sent_at' => 'datetime',
        'over_at' => 'datetime',
    ];

    protected $attributes = [
        'side' => null,
        'rehearsal' => false,
        'rehearsal_of' => null,
        'countersigns' => null,
        'status' => 'drafting',
        'subject' => '',
        'message' => '',
        'attach' => false,
        'to_read' => null,
        'date_look' => 'slashes',
        'copies' => '[]',
        'send_at' => null,
        'held_because' => '',
        'last_day' => null,
        'last_time' => null,
        'reason' => null,
        'sent_at' => null,
        'over_at' => null,
    ];

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return BelongsTo<User, $this> */
    public function sender(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    /** @return HasMany<RoundPaper, $this> */
    public function papers(): HasMany
    {
        return $this->hasMany(RoundPaper::class)->orderBy('place')->orderBy('id');
    }

    /** @return HasMany<Signer, $this> */
    public function signers(): HasMany
    {
        return $this->hasMany(Signer::class)->orderBy('turn')->orderBy('id');
    }

    /** @return HasMany<SigningMark, $this> */
    public function marks(): HasMany
    {
        return $this->hasMany(SigningMark::class)->orderBy('position');
    }

    /** @return HasMany<Event, $this> */
    public function events(): HasMany
    {
        return $this->hasMany(Event::class)->orderBy('id');
    }

    /** @return HasOne<SealedSet, $this> */
    public function sealedSet(): HasOne
    {
        return $this->hasOne(SealedSet::class)->whereNull('round_paper_id');
    }

    /**
     * Each paper of the round under its own seal.
     *
     * @return HasMany<SealedSet, $this>
     */
    public function sealedPapers(): HasMany
    {
        return $this->hasMany(SealedSet::class)->whereNotNull('round_paper_id');
    }

    /**
     * Rehearsals of it, the last one first.
     *
     * @return HasMany<self, $this>
     */
    public function rehearsals(): HasMany
    {
        return $this->hasMany(self::class, 'rehearsal_of')->orderByDesc('id');
    }

    /** @return BelongsTo<self, $this> */
    public function after(): BelongsTo
    {
        return $this->belongsTo(self::class, 'after_id');
    }

    /**
     * Those that wait for it.
     *
     * @return HasMany<self, $this>
     */
    public function next(): HasMany
    {
        return $this->hasMany(self::class, 'after_id');
    }

    /** Whether a draft goes out at a time that was set, or once the round before it did or is signed. */
    public function goesByItself(): bool
    {
        return $this->send_at !== null || ($this->after !== null && ! $this->after->status->isOver());
    }

    /** Until when it can be signed; null without an end. */
    public function lastMoment(): ?LastMoment
    {
        $at = $this->last_time === null ? null : TimeOfDay::of($this->last_time);

        return $this->last_day === null ? null : new LastMoment($this->last_day, $at);
    }

    /** @return list<Turn> */
    public function turns(): array
    {
        return array_values(
            $this->signers
                ->map(
                    fn (Signer $signer) => new Turn(
                        $signer->seat,
                        $signer->turn,
                        array_values(
                            array_filter(
                                $this->marks
                                    ->where('seat', $signer->seat)
                                    ->map(static fn (SigningMark $mark) => $mark->act())
                                    ->all(),
                            ),
                        ),
                        $signer->part,
                        $signer->asks(),
                    ),
                )
                ->all(),
        );
    }

    /** What goes out, or went out, in one digest. */
    public function sentDigest(): string
    {
        $order = $this->papers->pluck('position', 'id');
        $size = static fn (string|int|float $points): string => number_format((float) $points, 2, '.', '');

        return SentPlaces::digest(
            array_values(
                $this->papers->map(static fn (RoundPaper $sent) => ['sha256' => (string) $sent->sha256, 'pages' => $sent->pages])->all(),
            ),
            array_values(
                $this->marks
                    ->map(
                        static fn (SigningMark $mark) => [
                            'key' => $mark->key,
                            'paper' => (int) $order[$mark->round_paper_id],
                            'seat' => $mark->seat,
                            'kind' => $mark->kind->value,
                            'page' => $mark->page,
                            'x' => $size($mark->x),
                            'y' => $size($mark->y),
                            'width' => $size($mark->width),
                            'height' => $size($mark->height),
                            // Only where something is asked: what went out before there was more to ask keeps its digest.
                            ...($terms = $mark->terms()->toArray($mark->kind)) === [] ? [] : ['terms' => $terms],
                        ],
                    )
                    ->all(),
            ),
        );
    }

    /** The state its events make. */
    public function state(): RoundState
    {
        return RoundState::fold(
            $this->turns(),
            $this->events->map(static fn (Event $event) => new RoundEvent(EventKind::from($event->kind), $event->seat, $event->data)),
        );
    }
}
