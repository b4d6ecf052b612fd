<?php

declare(strict_types=1);

namespace App\Exchange;

use Unanimus\Exchange\ExchangeUnavailable;
use Unanimus\Exchange\Listing;
use Unanimus\Exchange\ListingExchange;

/** What the exchange has for a few typed letters; an exchange that does not answer finds nothing and says so. */
final class ListingsFound
{
    public function __construct(private readonly ListingExchange $exchange)
    {
    }

    /** @return array{listings: list<Listing>, fault: string|null} */
    public function __invoke(string $text): array
    {
        $text = trim($text);
        if (mb_strlen($text) < 3) {
            return ['listings' => [], 'fault' => null];
        }
        try {
            return ['listings' => $this->exchange->search($text), 'fault' => null];
        } catch (ExchangeUnavailable $unavailable) {
            return ['listings' => [], 'fault' => $unavailable->getMessage()];
        }
    }

    /** @return array{listings: list<Listing>, fault: string|null} an agent's own */
    public function own(string $agent): array
    {
        try {
            return ['listings' => $this->exchange->listingsOf($agent), 'fault' => null];
        } catch (ExchangeUnavailable $unavailable) {
            return ['listings' => [], 'fault' => $unavailable->getMessage()];
        }
    }
}
