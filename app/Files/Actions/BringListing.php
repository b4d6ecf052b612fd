<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Requirements\Actions\ApplyKit;
use Unanimus\Exchange\ExchangeRefusal;
use Unanimus\Exchange\ExchangeUnavailable;
use Unanimus\Exchange\Listing;
use Unanimus\Exchange\ListingExchange;
use Unanimus\Files\SeenBy;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\PartyRole;
use Unanimus\Signing\Seat;
use Unanimus\Steps\StepRefused;

/** Brings a listing's facts into a file, each marked with where and when it came from. */
final class BringListing
{
    public function __construct(
        private readonly ListingExchange $exchange,
        private readonly ApplyKit $applyKit,
        private readonly SetFact $setFact,
        private readonly SetParty $setParty,
    ) {
    }

    /**
     * @throws ExchangeUnavailable when the exchange does not answer
     * @throws StepRefused when it has no listing of that number
     */
    public function __invoke(DealFile $file, string $number): void
    {
        $listing =
            $this->exchange->listing(trim($number)) ??
            throw ExchangeRefusal::NoSuchListing->because(exchange: $this->exchange->name(), number: $number);
        $source = "{$this->exchange->name()}, ".$file->office->today()->short();
        $this->applyKit->afterwards($file, function () use ($file, $listing, $source): void {
            $file->update(['listing_number' => $listing->number]);
            History::add(
                $file->brokerage_id,
                $file->id,
                'Listing brought in',
                ['number' => $listing->number, 'from' => $this->exchange->name()],
                SeenBy::everyone(),
            );
            $facts = array_filter(
                $listing->facts,
                static fn (string $name) => str_starts_with($name, 'property.') || $name === 'list_price',
                ARRAY_FILTER_USE_KEY,
            );
            // What stands in the file already is not overwritten, only shown to differ.
            $this->setFact->fromListing($file, $facts, $source, false);
            foreach (['seller.1' => null, 'coagent.1' => $listing->facts['coagent.1.firm'] ?? ''] as $seat => $firm) {
                $name = $listing->facts["{$seat}.name"] ?? '';
                $place = Seat::of($seat);
                $ours = $place->role === PartyRole::Coagent && $file->represents->isListing();
                if (
                    $name !== '' &&
                    ! $ours &&
                    $file->isOwnAffair($place->side()) &&
                    ! $file->parties()->where('role', $place->role)->where('number', 1)->exists()
                ) {
                    ($this->setParty)($file, $place, new PartyDetails(name: $name, firm: $firm));
                }
            }
        });
    }

    /**
     * Takes over what a new reading has otherwise.
     *
     * @param list<string> $names of facts
     *
     * @throws ExchangeUnavailable|StepRefused
     */
    public function take(DealFile $file, array $names): void
    {
        $listing = $this->again($file);
        $facts = array_intersect_key(
            array_map(static fn (array $one) => $one['here'], $listing->differences($file->knownFacts->pluck('value', 'name')->all())),
            array_flip($names),
        );
        $this->setFact->takeOver($file, $facts, "{$this->exchange->name()}, ".$file->office->today()->short());
    }

    /**
     * The file's listing as the exchange has it now.
     *
     * @throws ExchangeUnavailable|StepRefused
     */
    public function again(DealFile $file): Listing
    {
        $number = $file->listing_number ?? throw ExchangeRefusal::NoListingNumber->because();

        return $this->exchange->listing($number) ??
            throw ExchangeRefusal::ListingGone->because(exchange: $this->exchange->name(), number: $number);
    }
}
