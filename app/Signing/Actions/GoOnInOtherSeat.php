<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Models\Signer;
use App\Models\User;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\Part;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\SamePerson;
use Unanimus\Signing\SignerStatus;

/**
 * Whoever sits in several seats signs for all of them in one session: what they agreed to and how their signature looks goes for
 * the next seat too, and the record says so.
 */
final class GoOnInOtherSeat
{
    public function __construct(private readonly RecordEvent $record, private readonly AdoptSignature $adopt)
    {
    }

    /**
     * The next seat of somebody who has finished in one, ready to be signed; null when they have none that is asked now.
     *
     * @param User|null $by who is signed in; a colleague's seat is theirs alone
     * @param array{address: string|null, device: string|null} $from
     *
     * @throws \Unanimus\Steps\StepRefused when the round has ended meanwhile
     */
    public function __invoke(Signer $signer, ?User $by, array $from): ?Signer
    {
        $round = $signer->round->refresh()->load(['signers', 'events', 'marks', 'papers']);
        $next = $round->signers->first(
            static fn (Signer $one) => $one->id !== $signer->id && $one->part === Part::Signs && $one->status->isAsked() &&
                SamePerson::is($signer->name, $signer->email, $one->name, $one->email),
        );
        // A code that was set for a seat is asked for there, and a colleague signs in first.
        if ($next === null || $next->code !== null || ! $next->linkIsFor($by) || $signer->adopted === null) {
            return $next;
        }
        $agreed = $round->events->where('seat', $signer->seat)->where('kind', EventKind::Consented->value)->last();
        if ($next->status !== SignerStatus::Consented && $agreed !== null) {
            ($this->record)($round, new RoundEvent(EventKind::Opened, $next->seat, []), "opened:{$next->once()}", $from);
            $data = [...$agreed->data, 'as' => $signer->seat];
            ($this->record)($round, new RoundEvent(EventKind::Consented, $next->seat, $data), "consented:{$next->once()}", $from);
        }
        $next = $next->refresh()->setRelation('round', $round);
        $signature = $signer->signature();
        $next->adopted === null && $signature !== null && ($this->adopt)($next, $signature, $from);

        return $next;
    }
}
