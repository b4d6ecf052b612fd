<?php

declare(strict_types=1);

namespace App\Demo;

use Unanimus\Exchange\Listing;
use Unanimus\Exchange\ListingExchange;

/** An exchange of one listing, for laying out the demo. */
final class OneListing implements ListingExchange
{
    public function __construct(private readonly Listing $listing)
    {
    }

    public function name(): string
    {
        return (string) config('unanimus.exchange.name');
    }

    public function listing(string $number): Listing
    {
        return $this->listing;
    }

    public function search(string $text): array
    {
        return [$this->listing];
    }

    public function listingsOf(string $agent): array
    {
        return [$this->listing];
    }

    public function papers(Listing $listing): array
    {
        return [];
    }

    public function paper(string $address): string
    {
        throw new \Unanimus\Exchange\ExchangeUnavailable('There are no papers here.');
    }
}
