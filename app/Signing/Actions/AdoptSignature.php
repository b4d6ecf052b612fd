<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Models\Signer;
use Unanimus\Signing\AdoptedSignature;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;

/** A signer chooses how their signature looks. */
final class AdoptSignature
{
    public function __construct(private readonly RecordEvent $record)
    {
    }

    /**
     * @param array{address: string|null, device: string|null} $from
     *
     * @throws \Unanimus\Steps\StepRefused when they may not choose now
     */
    public function __invoke(Signer $signer, AdoptedSignature $signature, array $from): void
    {
        $sum = $signature->digest();
        // The same choice sent twice is one; coming back to an earlier one is another.
        $before = $signer->round->events->where('seat', $signer->seat)->where('kind', EventKind::Adopted->value)->count();
        ($this->record)(
            $signer->round,
            new RoundEvent(EventKind::Adopted, $signer->seat, ['hand' => $signature->hand ?? 'drawn', 'signature' => $sum]),
            "adopted:{$signer->once()}:{$before}:".substr($sum, 0, 16),
            $from,
        );
        $signer->update(['adopted' => $signature->toArray()]);
    }
}
