<?php

declare(strict_types=1);

namespace Unanimus\Parties;

/**
 * What kind of deal a file is about.
 */
enum DealKind: string
{
    case Sale = 'sale';
    case Lease = 'lease';
    /** Sent to a colleague elsewhere for a part of the commission. */
    case Referral = 'referral';
    /** No deal at all: papers that are signed before they have a file, or without ever having one. */
    case Papers = 'papers';

    /** Whether it is about a property, with terms, dates and a commission. */
    public function isDeal(): bool
    {
        return $this !== self::Papers;
    }

    /** The side that offers the property. */
    public function listingSide(): Side
    {
        return $this === self::Lease ? Side::Landlord : Side::Seller;
    }

    /** @return list<Side> those who meet in it; a referral has none that meet here */
    public function sides(): array
    {
        return $this === self::Referral ? [] : [$this->listingSide()->across(), $this->listingSide()];
    }

    /** The side as it is called in this kind of deal: in a lease the seller's affairs are the landlord's. */
    public function side(Side $side): Side
    {
        return match (true) {
            $this !== self::Lease => $side,
            $side->isListing() => Side::Landlord,
            default => Side::Tenant,
        };
    }
}
