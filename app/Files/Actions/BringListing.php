<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\Files\Models\DealFile;
use App\History\History;
use Unanimus\Exchange\ExchangeUnavailable;
use Unanimus\Exchange\ListingExchange;
use Unanimus\Files\StepRefused;
use Unanimus\Signing\Seat;

/** Brings a listing's facts into a file, each marked with where and when it came from. */
final class BringListing
{
    public function __construct(private readonly ListingExchange $exchange, private readonly SetFact $setFact, private readonly SetParty $setParty)
    {
    }

    /**
     * @throws ExchangeUnavailable when the exchange does not answer
     * @throws StepRefused when it has no listing of that number
     */
    public function __invoke(DealFile $file, string $number): void
    {
        $listing = $this->exchange->listing(trim($number)) ?? throw new StepRefused("{$this->exchange->name()} has no listing {$number}. Check the number, or enter the property by hand.");
        $source = "{$this->exchange->name()}, ".$file->office->today()->short();
        $file->update(['listing_number' => $listing->number]);
        History::add($file->brokerage_id, $file->id, 'Listing brought in', ['number' => $listing->number, 'from' => $this->exchange->name()]);
        $facts = array_filter($listing->facts, static fn (string $name) => str_starts_with($name, 'property.') || $name === 'list_price', ARRAY_FILTER_USE_KEY);
        $this->setFact->fromListing($file, $facts, $source);
        foreach (['seller.1' => [], 'coagent.1' => ['firm' => $listing->facts['coagent.1.firm'] ?? '']] as $seat => $more) {
            $name = $listing->facts["{$seat}.name"] ?? '';
            $seated = $file->parties()->where('role', Seat::of($seat)->role)->where('number', 1)->exists();
            if ($name !== '' && ! $seated) {
                ($this->setParty)($file, Seat::of($seat), ['name' => $name, ...$more]);
            }
        }
    }
}
