<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use App\Models\Concerns\HasLink;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Unanimus\Parties\Language;
use Unanimus\Signing\AdoptedSignature;
use Unanimus\Signing\Seat;
use Unanimus\Signing\SignerStatus;

/**
 * Someone asked to sign in a round.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property int $round_id
 * @property int $party_id
 * @property string $seat
 * @property string $name
 * @property string $initials
 * @property string|null $email
 * @property int $turn
 * @property Language $language in which they read
 * @property string $note words for them alone, in the letter that asks them
 * @property string $capacity as it is printed where it is asked for, "as trustee"
 * @property string $company for whom they sign, where they sign for one
 * @property SignerStatus $status
 * @property array{name: string, initials: string, hand: string|null, strokes: list<list<array{int, int}>>}|null $adopted
 * @property int $link_version
 * @property-read Round $round
 * @property-read Party|null $party
 */
final class Signer extends Record
{
    use HasKey;
    use HasLink;

    private const LINK = 'sign';

    private const FOUND_BY = 'signer_of_link';

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['adopted' => 'array', 'status' => SignerStatus::class, 'language' => Language::class];

    protected $attributes = [
        'adopted' => null,
        'note' => '',
        'language' => 'en',
        'capacity' => '',
        'company' => '',
        'link_version' => 1,
        'status' => 'waiting',
    ];

    /** @return BelongsTo<Party, $this> */
    public function party(): BelongsTo
    {
        return $this->belongsTo(Party::class);
    }

    /** Whether someone may take their link from here: a client's whoever works on the file, a colleague's only they themselves. */
    public function linkIsFor(?User $user): bool
    {
        $theirs = $this->party->user_id ?? null;

        return $theirs === null || $theirs === $user?->id;
    }

    /** @return BelongsTo<Round, $this> */
    public function round(): BelongsTo
    {
        return $this->belongsTo(Round::class);
    }

    /** Whether the link still shows the sealed set: for some weeks after everyone has signed. */
    public function seesSet(): bool
    {
        $over = $this->round->over_at;

        return $over === null || $over->copy()->addDays((int) config('unanimus.signed_days'))->isFuture();
    }

    public function seatOf(): Seat
    {
        return Seat::of($this->seat);
    }

    public function signature(): ?AdoptedSignature
    {
        return $this->adopted === null ? null : AdoptedSignature::fromArray($this->adopted);
    }
}
