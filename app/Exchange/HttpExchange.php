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
    public function __construct(
        private readonly string $name,
        private readonly string $url,
        #[\SensitiveParameter] private readonly string $token,
    ) {
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

    public function listingsOf(string $agent): array
    {
        return $this->ask("ListAgentFullName eq '".str_replace("'", "''", $agent)."'", 50);
    }

    public function papers(Listing $listing): array
    {
        $papers = [];
        foreach (
            $listing->key === '' ? [] : $this->get(
                'Media',
                "ResourceRecordKey eq '".str_replace("'", "''", $listing->key)."'",
                30,
            ) as $media
        ) {
            $address = $media['MediaURL'] ?? null;
            // Only what lies at the exchange itself is fetched.
            if (is_string($address) && ($media['MimeType'] ?? '') === 'application/pdf' && str_starts_with($address, '/')) {
                $papers[$address] = mb_substr(
                    is_string($media['ShortDescription'] ?? null) ? $media['ShortDescription'] : 'Paper from the listing',
                    0,
                    120,
                );
            }
        }

        return $papers;
    }

    public function photographs(Listing $listing): array
    {
        $found = $listing->key === '' ? [] : $this->get('Media', "ResourceRecordKey eq '".str_replace("'", "''", $listing->key)."'", 200);
        $photographs = array_filter($found, static fn (array $one) => str_starts_with((string) ($one['MimeType'] ?? ''), 'image/'));
        usort($photographs, static fn (array $a, array $b) => ($a['Order'] ?? 0) <=> ($b['Order'] ?? 0));

        return array_map(
            static fn (array $one) => mb_substr(
                is_string($one['ShortDescription'] ?? null) ? $one['ShortDescription'] : 'no description',
                0,
                120,
            ),
            $photographs,
        );
    }

    public function paper(string $address): string
    {
        if (preg_match('#^/[A-Za-z0-9/_.-]{1,200}$#', $address) !== 1 || str_contains($address, '..')) {
            throw new ExchangeUnavailable("{$this->name} has no such paper.");
        }
        try {
            $answer = Http::timeout(20)
                ->withToken($this->token)
                ->get($this->url.$address);
        } catch (ConnectionException $failed) {
            throw new ExchangeUnavailable("{$this->name} does not answer. Try again later.", previous: $failed);
        }

        return $answer->successful() && strlen($answer->body()) <= 52_428_800
            ? $answer->body()
            : throw new ExchangeUnavailable("{$this->name} did not send this paper.");
    }

    /** @return list<Listing> */
    private function ask(string $filter, int $top): array
    {
        return array_values(array_map(Listing::fromReso(...), $this->get('Property', $filter, $top)));
    }

    /** @return list<array<string, mixed>> */
    private function get(string $resource, string $filter, int $top): array
    {
        try {
            $answer = Http::timeout(8)
                ->withToken($this->token)
                ->acceptJson()
                ->get("{$this->url}/odata/{$resource}", ['$filter' => $filter, '$top' => $top]);
        } catch (ConnectionException $failed) {
            throw new ExchangeUnavailable("{$this->name} does not answer. Enter the property by hand, or try again.", previous: $failed);
        }
        $found = $answer->successful() ? $answer->json('value') : null;
        if (! is_array($found)) {
            throw new ExchangeUnavailable("{$this->name} sent an answer we could not read. Enter the property by hand, or try again.");
        }

        return array_values(array_filter($found, is_array(...)));
    }
}
