<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Unanimus\Parties\CallName;
use Unanimus\Parties\Language;
use Unanimus\Parties\PartyRole;
use Unanimus\Signing\Seat;

/**
 * A person in the deal, on a seat.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property PartyRole $role
 * @property int $number
 * @property string $name
 * @property string $signing_name
 * @property string $initials
 * @property string $kind
 * @property Language $language in which they read what they are sent
 * @property string|null $signed_by
 * @property string|null $capacity
 * @property bool $prints_contact
 * @property-read PartyContact|null $contact
 * @property-read string|null $email
 * @property-read string|null $phone
 * @property-read string|null $address
 * @property string|null $firm
 * @property int|null $user_id
 */
final class Party extends Record
{
    use HasKey;

    protected $attributes = [
        'kind' => 'person',
        'language' => 'en',
        'firm' => null,
        'user_id' => null,
        'signing_name' => '',
        'initials' => '',
        'signed_by' => null,
        'capacity' => null,
        'prints_contact' => false,
    ];

    /** @var list<string> */
    protected $with = ['contact'];

    /** @var array<string, string> */
    protected $casts = ['role' => PartyRole::class, 'prints_contact' => 'boolean', 'language' => Language::class];

    /** @return HasOne<PartyContact, $this> how to reach them; only their own side sees it */
    public function contact(): HasOne
    {
        return $this->hasOne(PartyContact::class);
    }

    public function getEmailAttribute(): ?string
    {
        return $this->contact?->email;
    }

    public function getPhoneAttribute(): ?string
    {
        return $this->contact?->phone;
    }

    public function getAddressAttribute(): ?string
    {
        return $this->contact?->address;
    }

    /** Whether the one who signs is not the party itself: an entity, trust or estate, or someone with a power of attorney. */
    public function isSignedByAnother(): bool
    {
        return ($this->signed_by ?? '') !== '';
    }

    /**
     * Keeps how to reach them; what is not named stays.
     *
     * @param array{email?: string|null, phone?: string|null, address?: string|null} $ways
     */
    public function reach(array $ways): void
    {
        if ($ways === []) {
            return;
        }
        PartyContact::query()->updateOrCreate(
            ['party_id' => $this->id],
            ['brokerage_id' => $this->brokerage_id, 'deal_file_id' => $this->deal_file_id, 'side' => $this->seat()->side(), ...$ways],
        );
        $this->unsetRelation('contact');
    }

    public function seat(): Seat
    {
        return Seat::at($this->role, $this->number);
    }

    /** The name under a glyph, in one word. */
    public function callName(): string
    {
        return CallName::short($this->name);
    }

    /** The initials of a name: "José Nguyễn-Ortiz" to "JNO". */
    public static function initialsOf(string $name): string
    {
        preg_match_all('/(?:^|[\s-])(\p{L})/u', $name, $found);

        return mb_strtoupper(mb_substr(implode('', $found[1]), 0, 4));
    }
}
