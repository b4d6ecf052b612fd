<?php

declare(strict_types=1);

namespace App\Demo;

use Unanimus\Exchange\Listing;
use Unanimus\Exchange\ListingExchange;

/** An exchange of one listing, for laying out the demo. */
final class OneListing implements ListingExchange
{
    /** @param  list<string>  $photographs  what they show */
    private function __construct(private readonly Listing $listing, private readonly array $photographs)
    {
    }

    /** From the stand-in's own data: the demo is laid out without the server running. */
    public static function at(string $number): self
    {
        foreach (self::data('listings') as $one) {
            if ($one['ListingId'] === $number) {
                $photographs = array_filter(
                    self::data('media'),
                    static fn (array $media) => $media['ResourceRecordKey'] === $one['ListingKey'] && $media['MimeType'] === 'image/jpeg',
                );

                return new self(Listing::fromReso($one), array_values(array_column($photographs, 'ShortDescription')));
            }
        }
        throw new \LogicException("The stand-in has no listing {$number}.");
    }

    /** @return list<array<string, mixed>> */
    private static function data(string $name): array
    {
        return json_decode((string) file_get_contents(base_path("stand-ins/listing-exchange/{$name}.json")), true, 32, JSON_THROW_ON_ERROR);
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

    public function photographs(Listing $listing): array
    {
        return $this->photographs;
    }

    public function paper(string $address): string
    {
        throw new \Unanimus\Exchange\ExchangeUnavailable('There are no papers here.');
    }
}
