<?php

declare(strict_types=1);

namespace App\Files\Models;

use App\Access\HasKey;
use App\Access\Role;
use App\Access\User;
use App\Commission\Models\Commission;
use App\Office\Models\Office;
use App\Papers\Models\Paper;
use App\Review\Models\Requirement;
use App\Signing\Models\Round;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Carbon;
use Unanimus\Files\DealStatus;
use Unanimus\Requirements\Kit;
use Unanimus\Review\Completeness;
use Unanimus\Review\ReviewState;

/**
 * One property, one deal.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $office_id
 * @property string $name
 * @property string $side
 * @property string $kind
 * @property DealStatus $status
 * @property string|null $listing_number
 * @property string|null $kit
 * @property int $settled
 * @property int $required
 * @property string|null $closed_on
 * @property Carbon $created_at
 * @property-read Office $office
 * @property-read Collection<int, Party> $parties
 * @property-read Collection<int, KnownFact> $knownFacts
 * @property-read Collection<int, Paper> $papers
 * @property-read Collection<int, Requirement> $requirements
 * @property-read Collection<int, Round> $rounds
 * @property-read Collection<int, Member> $members
 * @property-read Commission|null $commission
 */
final class DealFile extends Model
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['status' => DealStatus::class];

    protected $attributes = ['side' => 'buyer', 'kind' => 'sale', 'status' => 'preparing', 'settled' => 0, 'required' => 0, 'listing_number' => null, 'kit' => null, 'closed_on' => null];

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

    /** @return HasMany<Round, $this> */
    public function rounds(): HasMany
    {
        return $this->hasMany(Round::class)->orderByDesc('id');
    }

    /** @return HasMany<Member, $this> */
    public function members(): HasMany
    {
        return $this->hasMany(Member::class);
    }

    /** @return HasOne<Commission, $this> */
    public function commission(): HasOne
    {
        return $this->hasOne(Commission::class);
    }

    public function isServedBy(User $user): bool
    {
        return $this->members->contains('user_id', $user->id) || $user->holds(Role::Broker, $this->office_id);
    }

    public function completeness(): Completeness
    {
        return Completeness::of($this->requirements->map(static fn (Requirement $requirement): ReviewState => $requirement->review_state));
    }

    /** Keeps the counted completeness beside the file, for lists. */
    public function countSettled(): void
    {
        $this->load('requirements');
        $whole = $this->completeness();
        $this->update(['settled' => $whole->settled, 'required' => $whole->all]);
    }

    public function kitDefinition(): ?Kit
    {
        static $kits = [];
        if ($this->kit === null || preg_match('/^[a-z-]+$/', $this->kit) !== 1) {
            return null;
        }

        return $kits[$this->kit] ??= Kit::fromFile(base_path("library/kits/{$this->kit}.json"));
    }

    /** In words: "We represent the buyers · sale". */
    public function sides(): string
    {
        return match ($this->side) {
            'buyer' => 'We represent the buyers',
            'seller' => 'We represent the seller',
            'both' => 'Both sides in the house',
            'tenant' => 'We represent the tenants',
            default => 'We represent the landlord',
        };
    }
}
