<?php

declare(strict_types=1);

namespace Unanimus\Parties;

/**
 * What a person is in a deal; the cases stand in the order of the board.
 */
enum PartyRole: string
{
    case Buyer = 'buyer';
    case Seller = 'seller';
    case Tenant = 'tenant';
    case Landlord = 'landlord';
    case Agent = 'agent';
    /** The agent of the other side, of another brokerage. */
    case Coagent = 'coagent';
    case Broker = 'broker';
    case Escrow = 'escrow';
    case Lender = 'lender';
    case Other = 'other';
    /** Asked to sign in one round, and nobody of the file. */
    case Signer = 'signer';

    /** The side it sits on, whose own affairs are not the other's; null for those who serve both. */
    public function side(): ?Side
    {
        return Side::tryFrom($this->value);
    }

    /** Whether it is a client of one side: buyer, seller, tenant, landlord. */
    public function isClient(): bool
    {
        return $this->side() !== null;
    }

    /** @return list<self> buyer, seller, tenant, landlord */
    public static function clients(): array
    {
        return array_values(array_filter(self::cases(), static fn (self $role) => $role->isClient()));
    }

    /** Whether somebody of a file can be it; who only signs in a round is none. */
    public function isOfFile(): bool
    {
        return $this !== self::Signer;
    }

    /** @return list<string> what somebody of a file can be, as stored */
    public static function values(): array
    {
        return array_column(array_filter(self::cases(), static fn (self $role) => $role->isOfFile()), 'value');
    }
}
