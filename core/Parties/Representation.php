<?php

declare(strict_types=1);

namespace Unanimus\Parties;

/**
 * Whom the brokerage represents in a deal.
 */
enum Representation: string
{
    case Buyer = 'buyer';
    case Seller = 'seller';
    case Both = 'both';
    case Tenant = 'tenant';
    case Landlord = 'landlord';

    /** The one side it represents; null: both. */
    public function side(): ?Side
    {
        return Side::tryFrom($this->value);
    }

    /** Whether both sides are clients of the brokerage. */
    public function isBoth(): bool
    {
        return $this === self::Both;
    }

    /** The side whose file it is: the one represented; of both the one that offers the property. */
    public function firstSide(DealKind $kind): Side
    {
        return $this->side() ?? $kind->listingSide();
    }

    /** Whether whoever offers the property is a client: the listing is ours. */
    public function isListing(): bool
    {
        return $this->side()?->isListing() ?? true;
    }

    /** Whether it is the listing side alone, so that a colleague may join for the other. */
    public function isListingAlone(): bool
    {
        return $this->isListing() && ! $this->isBoth();
    }

    /** Whom it represents, in a sentence; null: both. */
    public function people(): ?string
    {
        return match ($this) {
            self::Buyer => 'the buyers',
            self::Seller => 'the seller',
            self::Both => null,
            self::Tenant => 'the tenants',
            self::Landlord => 'the landlord',
        };
    }
}
