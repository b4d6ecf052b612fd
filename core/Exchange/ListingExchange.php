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

    /**
     * An agent's own listings, at most fifty.
     *
     * @return list<Listing>
     *
     * @throws ExchangeUnavailable when it does not answer
     */
    public function listingsOf(string $agent): array;

    /**
     * The public papers of a listing, by their address at the exchange.
     *
     * @return array<string, string> address to title
     *
     * @throws ExchangeUnavailable when it does not answer
     */
    public function papers(Listing $listing): array;

    /**
     * What the photographs of a listing show, in their order, as the exchange describes them.
     *
     * @return list<string>
     *
     * @throws ExchangeUnavailable when it does not answer
     */
    public function photographs(Listing $listing): array;

    /**
     * The bytes of a public paper.
     *
     * @throws ExchangeUnavailable when it does not answer, or it is not there
     */
    public function paper(string $address): string;
}
