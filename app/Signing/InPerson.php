<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Round;
use App\Models\Signer;
use App\Models\User;
use Illuminate\Contracts\Session\Session;
use Illuminate\Database\Eloquent\Collection;
use Unanimus\Signing\RoundStatus;

/**
 * A device handed over for signing: its session keeps which round is signed and who holds it now. Until its owner enters their
 * password, nothing they were signed in to can be reached from it.
 */
final readonly class InPerson
{
    private const KEY = 'in-person';

    public function __construct(private Session $session)
    {
    }

    /** Hands the device over for the signers of a round. */
    public function begin(Round $round, User $by): void
    {
        $this->session->put(self::KEY, ['round' => $round->key, 'user' => $by->id, 'by' => $by->name, 'signer' => null]);
    }

    public function isHandedOver(): bool
    {
        return $this->session->has(self::KEY);
    }

    /** Key of the round that is signed here; null when the device is its owner's. */
    public function round(): ?string
    {
        return $this->session->get(self::KEY.'.round');
    }

    /** Name of whose device it is. */
    public function by(): string
    {
        return (string) $this->session->get(self::KEY.'.by', '');
    }

    /** Gives the device to one of them. */
    public function give(Signer $signer): void
    {
        $this->session->put(self::KEY.'.signer', $signer->key);
    }

    /** Whether it was given to this signer, by someone who sees them. */
    public function isGivenTo(Signer $signer): bool
    {
        return $this->session->get(self::KEY.'.signer') === $signer->key;
    }

    public function end(): void
    {
        $this->session->forget(self::KEY);
    }

    /**
     * Those who can sign here now: whose turn it is and whom this side may ask; a colleague signs on no device but their own.
     *
     * @return Collection<int, Signer>
     */
    public static function able(Round $round, ?User $by): Collection
    {
        return $round->status !== RoundStatus::Out
            ? new Collection()
            : $round->signers
                ->filter(
                    static fn (Signer $signer) => $signer->status->isAsked() &&
                        $round->file->isOwnAffair($signer->seatOf()->side()) &&
                        $signer->linkIsFor($by),
                )
                ->values();
    }
}
