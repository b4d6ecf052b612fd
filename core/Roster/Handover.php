<?php

declare(strict_types=1);

namespace Unanimus\Roster;

use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Side;

/** A file that goes from one agent to another. */
final class Handover
{
    /** They serve the deal, and write to its agent. */
    private const SERVE = [PartyRole::Coagent, PartyRole::Escrow, PartyRole::Lender];

    /**
     * Whether somebody of a file has to be told who works on it now: our own clients, the other agent, escrow and the lender.
     *
     * @param Side|null $ours whose agent it was; null: of both sides
     */
    public static function tells(PartyRole $role, ?Side $ours): bool
    {
        return in_array($role, self::SERVE, true) || ($role->isClient() && ($ours === null || $role->side() === $ours));
    }
}
