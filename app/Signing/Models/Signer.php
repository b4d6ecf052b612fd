<?php

declare(strict_types=1);

namespace App\Signing\Models;

use App\Access\HasKey;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Unanimus\Signing\AdoptedSignature;
use Unanimus\Signing\Seat;

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
 * @property string $status
 * @property array{name: string, initials: string, hand: string|null, strokes: list<list<array{int, int}>>}|null $adopted
 * @property int $link_version
 * @property-read Round $round
 */
final class Signer extends Model
{
    use HasKey;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['adopted' => 'array'];

    protected $attributes = ['adopted' => null, 'link_version' => 1, 'status' => 'waiting'];

    /** @return BelongsTo<Round, $this> */
    public function round(): BelongsTo
    {
        return $this->belongsTo(Round::class);
    }

    public function place(): Seat
    {
        return Seat::of($this->seat);
    }

    public function signature(): ?AdoptedSignature
    {
        return $this->adopted === null ? null : AdoptedSignature::fromArray($this->adopted);
    }

    /** The secret end of the link: nothing of it is stored, so a copy of the database opens no paper. */
    public function token(): string
    {
        return $this->key.'.'.self::proof($this->key, $this->link_version);
    }

    public static function proof(string $key, int $version): string
    {
        return rtrim(strtr(base64_encode(hash_hmac('sha256', "sign:{$key}:{$version}", (string) config('app.key'), true)), '+/', '-_'), '=');
    }

    public function link(): string
    {
        return url('/sign/'.$this->token());
    }
}
