<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Representation;
use Unanimus\Parties\Side;

/**
 * A place at the table: a role and its number, "buyer 2".
 */
final readonly class Seat implements \Stringable
{
    private function __construct(public PartyRole $role, public int $number)
    {
    }

    /**
     * A seat from its text "buyer.2".
     *
     * @throws \InvalidArgumentException when it is no seat
     */
    public static function of(string $text): self
    {
        $role = preg_match('/^([a-z]+)\.([1-9]\d?)$/', $text, $m) === 1 ? PartyRole::tryFrom($m[1]) : null;
        if ($role === null) {
            throw new \InvalidArgumentException("“{$text}” is no seat in a deal.");
        }

        return new self($role, (int) $m[2]);
    }

    /** The seat of a role; numbered from 1. */
    public static function at(PartyRole $role, int $number = 1): self
    {
        return new self($role, $number);
    }

    /**
     * The roles whom those who serve a side ask to sign: their clients, themselves and their broker; the other side signs with
     * its own agent, unless both are ours.
     *
     * @return list<PartyRole>
     */
    public static function askedBy(Representation $represents): array
    {
        $side = $represents->side();
        $clients = $side === null ? PartyRole::clients() : [PartyRole::from($side->value)];

        return [...$clients, PartyRole::Agent, PartyRole::Broker];
    }

    /**
     * The roles that may be asked besides, where someone says so by hand: those who serve both sides, and whoever only signs there.
     *
     * @return list<PartyRole>
     */
    public static function mayBeAsked(Representation $represents): array
    {
        return [...self::askedBy($represents), PartyRole::Escrow, PartyRole::Lender, PartyRole::Other, PartyRole::Signer];
    }

    /** The shape it is drawn in: buyers circle, sellers square, agents diamond, broker hexagon, others triangle. */
    public function shape(): string
    {
        return match ($this->role) {
            PartyRole::Buyer, PartyRole::Tenant => 'circle',
            PartyRole::Seller, PartyRole::Landlord => 'square',
            PartyRole::Agent, PartyRole::Coagent => 'diamond',
            PartyRole::Broker => 'hexagon',
            default => 'triangle',
        };
    }

    /** What stands inside the shape. */
    public function letter(): string
    {
        return match ($this->role) {
            PartyRole::Agent => $this->number === 1 ? 'A' : "A{$this->number}",
            PartyRole::Coagent => 'L',
            PartyRole::Broker => 'B',
            PartyRole::Escrow => 'E',
            PartyRole::Lender => '$',
            default => (string) $this->number,
        };
    }

    /** As read: "buyer 2", "agent". */
    public function label(): string
    {
        return match ($this->role) {
            PartyRole::Agent => $this->number === 1 ? 'agent' : "agent {$this->number}",
            PartyRole::Coagent => 'other agent',
            PartyRole::Broker, PartyRole::Escrow, PartyRole::Lender => $this->role->value,
            default => "{$this->role->value} {$this->number}",
        };
    }

    /** The color family in the style sheet. */
    public function tone(): string
    {
        return match ($this->shape()) {
            'circle' => 'buyer',
            'square' => 'seller',
            'diamond' => 'agent',
            'hexagon' => 'broker',
            default => 'other',
        };
    }

    /** The side it sits on, whose own affairs are not the other's; null for those who serve both. */
    public function side(): ?Side
    {
        return $this->role->side();
    }

    /** Where it stands in the order of seats. */
    public function order(): int
    {
        return (int) array_search($this->role, PartyRole::cases(), true) * 100 + $this->number;
    }

    /** "buyer.2". */
    public function __toString(): string
    {
        return "{$this->role->value}.{$this->number}";
    }
}
