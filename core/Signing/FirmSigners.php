<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Parties\PartyRole;

/**
 * Who signs for a firm or an owner: whoever the lines about "By: ____" name.
 *
 * @internal to its area
 */
final readonly class FirmSigners
{
    /** @param  list<SigningLine>  $lines  from the top */
    public function __construct(private array $lines, private WordsAround $around)
    {
    }

    /**
     * "Broker: ____ By: ____", beside each other or the one under the other: whom the firm on the line before is.
     *
     * @param array<int, array{MarkKind, float}> $kinds what is signed, which is no firm's name
     */
    public function ofFirm(int $index, array $kinds): ?SignerWords
    {
        $line = $this->lines[$index];
        if (! LineNeighbors::isBy($line->before)) {
            return null;
        }
        $aside = null;
        for ($at = $index - 1; $at >= 0 && $line->foot() - $this->lines[$at]->foot() < LineNeighbors::BY_UNDER; $at--) {
            $other = $this->lines[$at];
            $who = SignerWords::in($other->before);
            if ($other->isBeside($line) && ! LineNeighbors::isBy($other->before)) {
                // "Firm: ____ By: ____" over "Agent name: ____".
                return $who?->role === PartyRole::Broker ? $this->agentUnder($line) ?? $who : $who;
            }
            $isOver = $other->at->place->x < $line->right() && $other->right() > $line->at->place->x;
            if ($who?->role !== null && ! isset($kinds[$at])) {
                if ($isOver) {
                    return $who;
                }
                $aside ??= $who;
            }
        }

        return $this->around->owner($index) ?? $aside;
    }

    private function agentUnder(SigningLine $line): ?SignerWords
    {
        foreach ($this->lines as $other) {
            $down = $other->foot() - $line->foot();
            $isName = $down > 8 && $down < 46 && MarkLabels::companion($other->before) === MarkKind::Name;
            $who = $isName ? SignerWords::in($other->before) : null;
            if ($who?->role === PartyRole::Agent) {
                return $who;
            }
        }

        return null;
    }

    /** What the line for the printed name says, close over or under it: "Buyer name (print)". */
    public function ofName(SigningLine $line): ?SignerWords
    {
        foreach ($this->lines as $other) {
            $isInColumn = $other->at->place->x < $line->right() && $other->right() > $line->at->place->x;
            $gap = max($line->at->place->x - $other->right(), $other->at->place->x - $line->right());
            $down = $other->foot() - $line->foot();
            $near = $down > -46 && $down < 62 && ($isInColumn || ($other->isBeside($line) && $gap < 130));
            foreach ($other !== $line && $near ? [$other->before, $other->under] : [] as $said) {
                if (MarkLabels::companion($said) === MarkKind::Name) {
                    return SignerWords::in($said);
                }
            }
        }

        return null;
    }

    /** What stands over "By: ____". */
    public static function signedFor(SigningLine $line): string
    {
        return MarkLabels::isBy($line->before) ? $line->over : '';
    }
}
