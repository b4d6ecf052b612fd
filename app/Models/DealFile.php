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
use Illuminate\Support\Facades\Auth;
use Unanimus\Access\AccessRefusal;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\DealStatus;
use Unanimus\Files\FileRefusal;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Representation;
use Unanimus\Parties\Side;
use Unanimus\Review\Completeness;
use Unanimus\Review\ReviewState;
use Unanimus\Signing\Seat;
use Unanimus\Steps\StepRefused;

/**
 * One property, one deal.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $office_id
 * @property string $name
 * @property Representation $represents
 * @property DealKind $kind
 * @property DealStatus $status
 * @property string|null $listing_number
 * @property int $settled
 * @property int $required
 * @property LocalDate|null $closed_on
 * @property LocalDate|null $ended_on
 * @property string|null $end_reason
 * @property int|null $follows_on
 * @property list<string> $labels
 * @property-read self|null $putInto
 * @property int|null $put_into the file that papers without a deal were put into
 * @property string $address_key
 * @property string $mail_code the end of its own mail address
 * @property bool $practice whether it is one to practise with, for whoever does so alone
 * @property Carbon|null $practice_over_at
 * @property bool $guest whether a guest works in it, whom the office does not look over the shoulder
 * @property int $calendar_version
 * @property int|null $opened_by
 * @property Carbon $created_at
 * @property Carbon|null $updated_at
 * @property Carbon|null $archived_at
 * @property-read Office $office
 * @property-read Collection<int, Party> $parties
 * @property-read Collection<int, KnownFact> $knownFacts
 * @property bool $has_reads whether a colleague was asked to read drafts of it
 * @property-read Collection<int, Paper> $papers
 * @property-read Collection<int, Requirement> $requirements
 * @property-read Collection<int, Round> $rounds
 * @property-read Collection<int, Member> $members
 * @property-read Commission|null $commission
 * @property-read Collection<int, Commission> $commissions
 * @property-read Collection<int, FileKit> $kits
 * @property-read Collection<int, Task> $tasks
 * @property-read DealFile|null $before
 */
final class DealFile extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = [
        'ended_on' => AsDay::class,
        'closed_on' => AsDay::class,
        'represents' => Representation::class,
        'kind' => DealKind::class,
        'status' => DealStatus::class,
        'labels' => 'array',
        'guest' => 'boolean',
        'practice' => 'boolean',
        'has_reads' => 'boolean',
        'practice_over_at' => 'datetime',
        'archived_at' => 'datetime',
    ];

    protected $attributes = [
        'represents' => 'buyer',
        'kind' => 'sale',
        'status' => 'preparing',
        'settled' => 0,
        'required' => 0,
        'listing_number' => null,
        'closed_on' => null,
        'follows_on' => null,
        'ended_on' => null,
        'end_reason' => null,
        'labels' => '[]',
        'address_key' => '',
        'put_into' => null,
        'guest' => false,
        'practice' => false,
        'has_reads' => false,
        'practice_over_at' => null,
        'archived_at' => null,
    ];

    /** @return BelongsTo<Office, $this> */
    public function office(): BelongsTo
    {
        return $this->belongsTo(Office::class);
    }

    /** @return HasMany<Party, $this> */
    public function parties(): HasMany
    {
        return $this->hasMany(Party::class);
    }

    /**
     * The file that papers without a deal were put into.
     *
     * @return BelongsTo<self, $this>
     */
    public function putInto(): BelongsTo
    {
        return $this->belongsTo(self::class, 'put_into');
    }

    /** @return HasMany<KnownFact, $this> */
    public function knownFacts(): HasMany
    {
        return $this->hasMany(KnownFact::class);
    }

    /** @return HasMany<Paper, $this> */
    public function papers(): HasMany
    {
        return $this->hasMany(Paper::class)->orderBy('position')->orderBy('id');
    }

    /** @return HasMany<Requirement, $this> */
    public function requirements(): HasMany
    {
        return $this->hasMany(Requirement::class)->orderBy('position')->orderBy('id');
    }

    /**
     * What was sent, or will be; rehearsals are none of the file's.
     *
     * @return HasMany<Round, $this>
     */
    public function rounds(): HasMany
    {
        return $this->hasMany(Round::class)->where('rehearsal', false)->orderByDesc('id');
    }

    /** @return HasMany<Member, $this> */
    public function members(): HasMany
    {
        return $this->hasMany(Member::class);
    }

    /** @return HasMany<Commission, $this> one a side where both are ours */
    public function commissions(): HasMany
    {
        return $this->hasMany(Commission::class)->orderBy('id');
    }

    /** @return HasOne<Commission, $this> */
    public function commission(): HasOne
    {
        return $this->hasOne(Commission::class);
    }

    /** @return list<PartyRole> those who are asked to sign from it by themselves; a guest asks their own clients alone */
    public function asks(): array
    {
        $side = $this->guest ? $this->represents->side() : null;

        return $side === null ? Seat::askedBy($this->represents) : [PartyRole::from($side->value)];
    }

    /** Whether it stands apart from the office's work, a guest's or one for practice: whoever answers for the office is not in it. */
    public function isApart(): bool
    {
        return $this->guest || $this->practice;
    }

    /** The side that offers the property. */
    public function listingSide(): Side
    {
        return $this->kind->listingSide();
    }

    /** @return Collection<int, User> colleagues who see the file, but for one: its members, and the brokers of its office */
    public function colleagues(User $but): Collection
    {
        return User::query()
            ->where('active', true)
            ->whereKeyNot($but->id)
            ->where(fn ($any) => $any
                ->whereIn('id', $this->members->pluck('user_id'))
                ->orWhereHas('officeRoles', fn ($roles) => $roles->where(['office_id' => $this->office_id, 'role' => Role::Broker])))
            ->orderBy('name')
            ->get();
    }

    public function isServedBy(User $user): bool
    {
        return $this->members->contains('user_id', $user->id) || (! $this->isApart() && $user->holds(Role::Broker, $this->office_id));
    }

    public function completeness(): Completeness
    {
        return Completeness::of($this->requirements->map(static fn (Requirement $requirement): ReviewState => $requirement->review_state));
    }

    /** Keeps the counted completeness beside the file, for lists. */
    public function countSettled(): void
    {
        Sight::asTheFile($this->id, function (): void {
            $this->load('requirements');
            $whole = $this->completeness();
            $this->update(['settled' => $whole->settled, 'required' => $whole->all]);
            $this->unsetRelation('requirements');
        });
    }

    /** @return HasMany<FileKit, $this> */
    public function kits(): HasMany
    {
        return $this->hasMany(FileKit::class)->orderBy('id');
    }

    /** @return HasMany<Task, $this> */
    public function tasks(): HasMany
    {
        return $this->hasMany(Task::class)->orderBy('id');
    }

    /** @return BelongsTo<DealFile, $this> the file this one follows on */
    public function before(): BelongsTo
    {
        return $this->belongsTo(self::class, 'follows_on');
    }

    /** Whether what belongs to that side is the affair of whoever is signed in; the application itself may do everything. */
    public function isOwnAffair(?Side $side): bool
    {
        $user = Auth::user();

        return $side === null ||
            ! $this->represents->isBoth() ||
            ! ($user instanceof User) ||
            in_array($this->sideOf($user), [null, $this->kind->side($side)], true);
    }

    /**
     * Lets pass what changes the listing itself: in a file of both sides it is the listing side's, whose client it is.
     *
     * @throws StepRefused when whoever is signed in is in the file for the other side
     */
    public function mustBeOwnListing(): void
    {
        if (! $this->isOwnAffair($this->listingSide())) {
            throw FileRefusal::NotOwnListing->because(side: $this->listingSide()->value);
        }
    }

    /**
     * The side a person works for in this file; null: the whole file.
     *
     * @throws StepRefused when they neither work on it nor answer for its office
     */
    public function sideOf(User $user): ?Side
    {
        if ($user->holds(Role::Broker, $this->office_id)) {
            return null;
        }
        $member = $this->members->firstWhere('user_id', $user->id);
        if ($member === null && ! in_array($this->office_id, $user->officesInSight(), true)) {
            throw AccessRefusal::NotAMember->because(name: $user->name);
        }

        return $member?->side;
    }

    /** In words: "We represent the buyers · sale". */
    public function sides(): string
    {
        if (! $this->kind->isDeal()) {
            return 'Papers without a deal';
        }
        $word = $this->represents->people();

        return $word === null
            ? 'In-house deal, both sides ours'
            : ($this->kind === DealKind::Referral
                ? "Referral of {$word}"
                : "We represent {$word}");
    }
}
