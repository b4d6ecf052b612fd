<?php

declare(strict_types=1);

namespace Unanimus\Exchange;

/**
 * Where listings are looked up.
 */
interface ListingExchange
{
    /** The exchange's name, as shown beside what came from it. */
    public function name(): string;

    /**
     * The listing of that number, or null when the exchange has none.
     *
     * @throws ExchangeUnavailable when it does not answer
     */
    public function listing(string $number): ?Listing;

    /**
     * Listings whose address or number has that text in it, at most ten.
     *
     * @return list<Listing>
     *
     * @throws ExchangeUnavailable when it does not answer
     */
    public function search(string $text): array;
}
