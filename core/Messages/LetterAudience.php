<?php

declare(strict_types=1);

namespace Unanimus\Messages;

/** Who gets a letter that goes out by itself. */
enum LetterAudience: string
{
    case OurClients = 'clients';
    case Buyers = 'buyer';
    case Sellers = 'seller';
    case Tenants = 'tenant';
    case Landlords = 'landlord';
    case OtherAgents = 'coagent';
    case Escrow = 'escrow';
    case Lender = 'lender';
    case OurAgents = 'agent';

    public function label(): string
    {
        return match ($this) {
            self::OurClients => 'our clients',
            self::Buyers => 'buyers',
            self::Sellers => 'sellers',
            self::Tenants => 'tenants',
            self::Landlords => 'landlords',
            self::OtherAgents => 'the other side’s agents',
            self::Escrow => 'escrow or title',
            self::Lender => 'the lender',
            self::OurAgents => 'our agents on the file',
        };
    }

    /**
     * Whether someone on a seat is one of them.
     *
     * @param string $role of the seat: "buyer"
     * @param list<string> $ours roles of those we represent
     */
    public function includes(string $role, array $ours): bool
    {
        return $this === self::OurClients ? in_array($role, $ours, true) : $this->value === $role;
    }
}
