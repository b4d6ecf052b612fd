<?php

declare(strict_types=1);

namespace Unanimus\Parties;

/**
 * One side of a deal: those who offer the property, or those who take it.
 */
enum Side: string
{
    case Buyer = 'buyer';
    case Seller = 'seller';
    case Tenant = 'tenant';
    case Landlord = 'landlord';

    /** Whether it offers the property. */
    public function isListing(): bool
    {
        return $this === self::Seller || $this === self::Landlord;
    }

    /** The side across the table. */
    public function across(): self
    {
        return match ($this) {
            self::Buyer => self::Seller,
            self::Seller => self::Buyer,
            self::Tenant => self::Landlord,
            self::Landlord => self::Tenant,
        };
    }

    /**
     * The side of all of them; null when they are of several, or common to both.
     *
     * @param list<self|null> $sides
     */
    public static function common(array $sides): ?self
    {
        $all = array_unique(array_map(static fn (?self $side) => $side?->value, $sides));

        return count($all) === 1 ? $sides[0] : null;
    }

    /** Those who sit on it, in a sentence: "the sellers". */
    public function people(): string
    {
        return "the {$this->value}s";
    }
}
