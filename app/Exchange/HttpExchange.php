<?php

declare(strict_types=1);

namespace App\Exchange;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\Http;
use Unanimus\Exchange\ExchangeUnavailable;
use Unanimus\Exchange\Listing;
use Unanimus\Exchange\ListingExchange;

/** A listing exchange reached through its RESO Web API. */
final class HttpExchange implements ListingExchange
{
    public function __construct(private readonly string $name, private readonly string $url, #[\SensitiveParameter] private readonly string $token)
    {
    }

    public function name(): string
    {
        return $this->name;
    }

    public function listing(string $number): ?Listing
    {
        return $this->ask("ListingId eq '".str_replace("'", "''", $number)."'", 1)[0] ?? null;
    }

    public function search(string $text): array
    {
        $text = str_replace("'", "''", mb_strtolower($text));

        return $this->ask("contains(tolower(UnparsedAddress),'{$text}') or contains(tolower(ListingId),'{$text}')", 10);
    }

    /** @return list<Listing> */
    private function ask(string $filter, int $top): array
    {
        try {
            $answer = Http::timeout(8)->withToken($this->token)->acceptJson()->get("{$this->url}/odata/Property", ['$filter' => $filter, '$top' => $top]);
        } catch (ConnectionException $failed) {
            throw new ExchangeUnavailable("{$this->name} does not answer. Enter the property by hand, or try again.", previous: $failed);
        }
        $listings = $answer->successful() ? $answer->json('value') : null;
        if (! is_array($listings)) {
            throw new ExchangeUnavailable("{$this->name} answered with something unreadable. Enter the property by hand, or try again.");
        }

        return array_values(array_map(Listing::fromReso(...), array_filter($listings, is_array(...))));
    }
}
