<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use App\Models\Concerns\HasLink;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Unanimus\Parties\Language;
use Unanimus\Signing\AdoptedSignature;
use Unanimus\Signing\AskedPaper;
use Unanimus\Signing\Part;
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
 * @property int|null $party_id whoever only signs in a round is nobody of the file
 * @property string $seat
 * @property string $name
 * @property string $initials
 * @property string|null $email
 * @property int $turn
 * @property Part $part what they are asked for
 * @property Language $language in which they read
 * @property string $note words for them alone, in the letter that asks them
 * @property string $capacity as it is printed where it is asked for, "as trustee"
 * @property string $company for whom they sign, where they sign for one
 * @property SignerStatus $status
 * @property array{name: string, initials: string, hand: string|null, strokes: list<list<array{int, int}>>}|null $adopted
 * @property int $link_version
 * @property int|null $user_id the colleague who signs here in place of another
 * @property int $held how many had this place before them
 * @property list<array{key: string, title: string, required: bool, place: int|null}> $asks papers they are asked to add
 * @property string|null $code asked for on their link before anything is shown
 * @property int $code_tries wrong ones since it was set
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
    protected $casts = [
        'adopted' => 'array',
        'status' => SignerStatus::class,
        'language' => Language::class,
        'code' => 'encrypted',
        'part' => Part::class,
        'asks' => 'array',
    ];

    protected $hidden = ['code'];

    protected $attributes = [
        'adopted' => null,
        'note' => '',
        'language' => 'en',
        'capacity' => '',
        'company' => '',
        'link_version' => 1,
        'user_id' => null,
        'held' => 0,
        'part' => 'signs',
        'asks' => '[]',
        'code' => null,
        'code_tries' => 0,
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
        $theirs = $this->user_id ?? ($this->party->user_id ?? null);

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

    /** Under which their doings are kept once each: someone else in their place does everything anew. */
    public function once(): string
    {
        return $this->held === 0 ? $this->seat : "{$this->seat}~{$this->held}";
    }

    /** Whether someone else was asked in this place first. */
    public function standsIn(): bool
    {
        return $this->held > 0;
    }

    /** @return list<AskedPaper> papers they are asked to add */
    public function asks(): array
    {
        return array_map(AskedPaper::fromArray(...), $this->asks);
    }

    public function seatOf(): Seat
    {
        return Seat::of($this->seat);
    }

    /** What the same person signed with before in this file, as they would see it again; null for someone new. */
    public function signedBefore(): ?self
    {
        return $this->standsIn() || $this->party_id === null
            ? null
            : self::query()
                ->where('party_id', $this->party_id)
                ->where('id', '<>', $this->id)
                ->where('held', 0)
                ->where('email', $this->email)
                ->where('status', SignerStatus::Finished)
                ->whereNotNull('adopted')
                ->orderByDesc('id')
                ->first();
    }

    public function signature(): ?AdoptedSignature
    {
        return $this->adopted === null ? null : AdoptedSignature::fromArray($this->adopted);
    }
}
