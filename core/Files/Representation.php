<?php

declare(strict_types=1);

namespace Unanimus\Files;

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

    /** Whether whoever offers the property is a client: the listing is ours. */
    public function isListing(): bool
    {
        return in_array($this, [self::Seller, self::Landlord, self::Both], true);
    }

    /** Whether it is the listing side alone, so that a colleague may join for the other. */
    public function isListingAlone(): bool
    {
        return $this->isListing() && $this !== self::Both;
    }
}
