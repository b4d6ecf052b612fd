<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\Files\NewOffer;
use App\History\History;
use App\Models\DealFile;
use App\Models\Offer;
use App\Requirements\Actions\ApplyKit;
use Unanimus\Files\Names;
use Unanimus\Files\OfferRefusal;
use Unanimus\Files\OfferState;
use Unanimus\Files\SeenBy;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Representation;
use Unanimus\Parties\Side;
use Unanimus\Signing\Seat;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\OfferView;
use Unanimus\Terms\Term;

/** Offers on a listing of ours: recorded, countered, declined, and one of them chosen. */
final class KeepOffers
{
    public function __construct(
        private readonly SetFact $setFact,
        private readonly SetParty $setParty,
        private readonly ApplyKit $applyKit,
    ) {
    }

    /**
     * @throws EntryUnreadable when a term cannot be read
     * @throws StepRefused when it is no listing of ours
     */
    public function record(DealFile $file, NewOffer $new, ?Offer $counters = null): Offer
    {
        if (! $file->represents->isListing()) {
            throw OfferRefusal::NotOurListing->because();
        }
        $facts = $this->read($file, $new->terms);
        $there = $new->version === null ? null : Offer::query()->where('deal_file_id', $file->id)->firstWhere('version_id', $new->version);
        if ($there !== null) {
            return $there;
        }
        $offer = Offer::create([
            'version_id' => $new->version,
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'counters' => $counters?->id,
            'buyers' => trim($new->buyers),
            'agent' => trim($new->agent),
            'note' => trim($new->note),
            'facts' => $facts,
        ]);
        $counters?->update(['state' => OfferState::Countered]);
        History::add(
            $file->brokerage_id,
            $file->id,
            $counters === null ? 'Offer recorded' : 'Counter-offer recorded',
            ['buyers' => $offer->buyers, 'price' => $facts['price'] ?? ''],
            SeenBy::side($file->listingSide()),
        );

        return $offer;
    }

    /** @param  array<string, string|null>  $terms */
    public function change(Offer $offer, DealFile $file, array $terms, string $note): void
    {
        $offer->state->mustChange();
        $before = $offer->facts;
        $offer->update(['facts' => $this->read($file, $terms), 'note' => $note]);
        History::add(
            $file->brokerage_id,
            $file->id,
            'Offer changed',
            ['buyers' => $offer->buyers, 'before' => $before['price'] ?? '', 'after' => $offer->facts['price'] ?? ''],
            SeenBy::side($file->listingSide()),
        );
    }

    public function decline(Offer $offer, DealFile $file): void
    {
        $offer->update(['state' => $offer->state->decline()]);
        History::add($file->brokerage_id, $file->id, 'Offer declined', ['buyers' => $offer->buyers], SeenBy::side($file->listingSide()));
    }

    /**
     * Makes an offer the contract of the file; the others are kept as they are.
     *
     * @throws StepRefused when another one is chosen, or the file is not open to it
     */
    public function choose(Offer $offer, DealFile $file, string $acceptedOn): void
    {
        $contract = Offer::query()->where('deal_file_id', $file->id)->where('state', OfferState::Chosen)->lockForUpdate()->first();
        $state = $offer->state->choose($contract?->buyers);
        $accepted = SetFact::read($file, Term::Acceptance->value, $acceptedOn === '' ? $file->office->today()->iso() : $acceptedOn);
        $this->applyKit->afterwards($file, function () use ($offer, $file, $state, $accepted): void {
            $offer->update(['state' => $state]);
            History::add(
                $file->brokerage_id,
                $file->id,
                'Offer chosen',
                ['buyers' => $offer->buyers, 'price' => $offer->facts['price'] ?? ''],
                SeenBy::side($file->listingSide()),
            );
            $this->setFact->takeOver($file, $offer->facts, "offer of {$offer->buyers}");
            // Where the buyers have an agent of the brokerage, that agent seats them.
            foreach ($file->isOwnAffair(Side::Buyer) ? array_slice(Names::in($offer->buyers), 0, 9) : [] as $index => $name) {
                ($this->setParty)($file, Seat::at(PartyRole::Buyer, $index + 1), new PartyDetails(name: $name));
            }
            $offer->agent === '' || $file->represents !== Representation::Seller || ($this->setParty)(
                $file,
                Seat::at(PartyRole::Coagent),
                new PartyDetails(name: $offer->agent),
            );
            ($this->setFact)($file, Term::Acceptance->value, $accepted);
        });
    }

    /**
     * @param array<string, string|null> $terms
     * @return array<string, string>
     */
    private function read(DealFile $file, array $terms): array
    {
        $facts = [];
        foreach (OfferView::TERMS as $term) {
            $value = SetFact::read($file, $term->value, (string) ($terms[$term->value] ?? ''));
            $value === '' || ($facts[$term->value] = $value);
        }

        return $facts;
    }
}
