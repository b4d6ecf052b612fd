<?php

declare(strict_types=1);

namespace Unanimus\Files;

use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Side;

/** Papers that everyone has signed, and to whom they are owed. */
final class Executed
{
    /**
     * Whether a paper is executed: signed here, or a scan of a form with places to sign that a reviewer has accepted.
     *
     * @param bool $isForSigning whether it has places for signatures
     */
    public static function is(PaperState $state, bool $isScan, bool $isAccepted, bool $isForSigning): bool
    {
        return match ($state) {
            PaperState::Signed => ! $isScan || ($isAccepted && $isForSigning),
            PaperState::Ready => $isScan && $isAccepted && $isForSigning,
            default => false,
        };
    }

    /**
     * Whether everyone whom it binds has signed here: each client who sits in the file and has a place on it.
     *
     * @param list<string> $places seats that have a place on it
     * @param list<string> $signed seats that have signed
     * @param list<string> $taken seats that somebody of the file holds
     */
    public static function isByAll(array $places, array $signed, array $taken): bool
    {
        foreach (array_diff(array_intersect($places, $taken), $signed) as $seat) {
            if (PartyRole::tryFrom((string) strtok($seat, '.'))?->isClient() === true) {
                return false;
            }
        }

        return true;
    }

    /**
     * The seats it is owed to: each of our clients who signs it; for the other side's clients their own agent.
     *
     * @param list<string> $signs seats that sign it: "buyer.1"
     * @param list<Side> $own sides whose clients are ours
     * @return list<string>
     */
    public static function owedTo(array $signs, array $own): array
    {
        $owed = [];
        foreach ($signs as $seat) {
            $side = PartyRole::tryFrom((string) strtok($seat, '.'))?->side();
            if ($side !== null) {
                $owed[in_array($side, $own, true) ? $seat : PartyRole::Coagent->value.'.1'] = true;
            }
        }

        return array_keys($owed);
    }
}
