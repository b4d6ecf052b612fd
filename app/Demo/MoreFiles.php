<?php

declare(strict_types=1);

namespace App\Demo;

use App\Commission\Actions\SetCommission;
use App\Files\Actions\BringListing;
use App\Files\Actions\FollowOn;
use App\Files\Actions\KeepOffers;
use App\Files\Actions\KeepTasks;
use App\Files\Actions\MoveStatus;
use App\Files\Actions\OpenFile;
use App\Files\Actions\SetFact;
use App\Files\Actions\SetParty;
use App\Files\NewOffer;
use App\Files\NewTask;
use App\Forms\Actions\AnswerFillRequest;
use App\Forms\Actions\KeepFillRequest;
use App\Models\Actor;
use App\Models\Contact;
use App\Models\DealFile;
use App\Models\FillRequest;
use App\Models\Role;
use App\Models\SavedView;
use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Unanimus\Files\DealStatus;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Representation;
use Unanimus\Signing\Seat;

/**
 * The scenario's further files, each to show something: offers to compare, both sides in the brokerage, a deal that fell through, land, a
 * lease, a referral.
 */
final class MoreFiles
{
    public function __construct(
        private readonly Story $story,
        private readonly OpenFile $open,
        private readonly SetFact $setFact,
        private readonly SetParty $setParty,
        private readonly KeepOffers $offers,
        private readonly MoveStatus $move,
        private readonly FollowOn $followOn,
        private readonly KeepTasks $tasks,
        private readonly KeepFillRequest $fillRequests,
        private readonly AnswerFillRequest $answer,
        private readonly PaperWork $papers,
        private readonly SetCommission $commission,
    ) {
    }

    /** @param  array<string, User>  $people */
    public function lay(array $people): void
    {
        $this->copperbeech($people);
        app(Millrace::class)->lay($people);
        $this->eideFirstTry($people);
        $this->orchard($people);
        $this->leaseAndReferral($people);
        $this->expiredListing($people);
        $this->office($people);
        Auth::logout();
    }

    /** @param  array<string, User>  $people */
    private function copperbeech(array $people): void
    {
        $this->story->at(-20, '9:40');
        $file = $this->start($people, 'caleb', Representation::Seller, 'TR-26-03977');
        $today = $this->story->today();
        ($this->setParty)($file, Seat::of('seller.1'), new PartyDetails(
            name: 'Beatrix Palomar',
            email: 'beatrix@palomar.example',
            phone: '(555) 555-0151',
        ));
        $this->setFact->many($file, [
            'listed_on' => $today->plusDays(-18)->iso(),
            'listing_expires' => $today->plusDays(72)->iso(),
            'listing_commission' => '2.75',
            'buyer_commission' => '2.5',
            'transfer_tax' => '0.1',
            'title_costs' => '1,850',
            'annual_tax' => '6,240',
            'tax_paid_through' => $today->year() - 1 .'-12-31',
            'closing_day' => 'buyers',
            'payoff' => '211,340.18',
            'list_price' => '538,000',
        ]);
        $sheet = ['bedrooms' => '4', 'baths' => '3', 'included' => 'range, dishwasher'];
        $this->papers->listed($file, $people['caleb'], $today->plusDays(-20), $sheet);
        $this->story->at(-19, '8:45');
        foreach (['M-105', 'M-101'] as $form) {
            $this->papers->accepted($file, $form, $people['caleb'], $people['ines']);
        }
        $this->papers->signPlaced($file, $people['caleb'], $people['ines']);
        $this->story->at(-18, '9:00');
        ($this->move)($file, DealStatus::Active, $people['caleb']);
        foreach (
            [
                [
                    'Halvard and Mina Ostergaard',
                    'Lucian Ferro',
                    [
                        'price' => '541,000',
                        'earnest_money' => '10,000',
                        'financing' => 'conventional',
                        'loan_percent' => '80',
                        'concessions' => '6,000',
                        'inspection_days' => '10',
                        'appraisal_days' => '21',
                        'loan_days' => '35',
                        'offer_date' => $today->plusDays(-2)->iso(),
                        'offer_expiry' => $today->plusDays(1)->iso(),
                        'closing' => $this->story->businessDay(44)->iso(),
                    ],
                ],
                [
                    'Renata Quillfeather',
                    'Anneke Thorvald',
                    [
                        'price' => '529,500',
                        'earnest_money' => '25,000',
                        'financing' => 'cash',
                        'inspection_days' => '5',
                        'offer_date' => $today->plusDays(-1)->iso(),
                        'offer_expiry' => $today->plusDays(1)->iso(),
                        'closing' => $this->story->businessDay(21)->iso(),
                    ],
                ],
                [
                    'Idris Vantongeren',
                    '',
                    [
                        'price' => '549,900',
                        'earnest_money' => '5,000',
                        'financing' => 'government',
                        'loan_percent' => '96.5',
                        'concessions' => '9,000',
                        'sale_of_home' => 'yes',
                        'inspection_days' => '10',
                        'appraisal_days' => '28',
                        'loan_days' => '45',
                        'offer_date' => $today->iso(),
                        'offer_expiry' => $today->plusDays(2)->iso(),
                        'closing' => $this->story->businessDay(60)->iso(),
                    ],
                ],
            ] as $index => [$buyers, $agent, $terms]
        ) {
            $this->story->at($index - 2, '8:3'.$index);
            $this->offers->record($file, new NewOffer($buyers, $agent, '', $terms));
        }
        $this->papers->as($people['wendell'], fn () => $this->papers->tasksDone($file->refresh(), $people['wendell']));
        $this->story->at(-1, '17:20');
        $this->askedToFill($file->refresh(), $people['caleb']);
    }

    /** The seller has her disclosure to fill in, and has begun. */
    private function askedToFill(DealFile $file, User $asker): void
    {
        $file->load(['office', 'knownFacts', 'parties.contact', 'papers.values', 'members']);
        $seller = $file->parties->where('role', PartyRole::Seller)->firstOrFail();
        $paper = $file->papers->where('form_number', 'M-231')->firstOrFail();
        $this->fillRequests->ask(
            $file,
            [['party' => $seller, 'email' => (string) $seller->email]],
            [$paper],
            [],
            $file->office->today()->plusDays(6),
            'Take your time; what you do not know, mark as not known.',
            $asker,
        );
        $fill = FillRequest::query()
            ->with(['file.office', 'papers.values'])
            ->where('deal_file_id', $file->id)
            ->latest('id')
            ->firstOrFail();
        $asked = $fill->papers->firstOrFail();
        $actor = app(Actor::class);
        $actor->isFromOutside($fill->name);
        $this->answer->opened($fill);
        foreach (
            [
                'since' => '2009',
                'lives_yes' => 'x',
                'roof_ok' => 'x',
                'roof_age' => '11',
                'gutters_ok' => 'x',
                'walls_ok' => 'x',
                'windows_bad' => 'x',
            ] as $blank => $value
        ) {
            $this->answer->enter($fill, $asked, $blank, $value, "demo-{$blank}");
        }
        $actor->isFromOutside(null);
    }

    /** @param  array<string, User>  $people */
    private function eideFirstTry(array $people): void
    {
        $this->story->at(-62, '10:15');
        $file = $this->start($people, 'tomas', Representation::Buyer, 'TR-26-04533');
        $today = $this->story->today();
        ($this->setParty)($file, Seat::of('buyer.1'), new PartyDetails(name: 'Torvald Eide', email: 'torvald@eide.example'));
        $this->setFact->many($file, [
            'price' => '309,000',
            'financing' => 'conventional',
            'loan_percent' => '90',
            'acceptance' => $today->plusDays(-54)->iso(),
            'closing' => $this->story->businessDay(-8)->iso(),
        ]);
        $this->story->at(-22, '14:20');
        ($this->move)($file, DealStatus::Terminated, $people['tomas'], 'The lender refused the loan.', $today->plusDays(-22));
        ($this->followOn)($file->refresh()->load(['office', 'members', 'knownFacts', 'parties', 'papers.latest']), $people['tomas']);
    }

    /** @param  array<string, User>  $people */
    private function orchard(array $people): void
    {
        $this->story->at(-9, '13:05');
        $file = $this->start($people, 'rosalind', Representation::Seller);
        $today = $this->story->today();
        $this->setFact->many($file, [
            'property.street' => '3 Orchard Bank',
            'property.city' => 'Saltreach',
            'property.state' => 'MW',
            'property.zip' => '20451',
            'property.kind' => 'land',
            'property.parcel' => '14-512-0003',
            'property.legal' => 'Tract 3, Saltreach Orchards, Ostrander County, Merrow',
            'property.septic' => 'no',
            'list_price' => '164,000',
            'listed_on' => $today->plusDays(-9)->iso(),
            'listing_expires' => $today->plusDays(171)->iso(),
        ]);
        ($this->setParty)($file, Seat::of('seller.1'), new PartyDetails(
            name: 'The Greywater Family Trust',
            kind: 'trust',
            signedBy: 'Odalys Greywater',
            signingName: 'Odalys Greywater, trustee',
            capacity: 'as trustee of the Greywater Family Trust',
            email: 'odalys@greywater.example',
        ));
        $this->papers->listed($file, $people['rosalind'], $today->plusDays(-9), []);
        ($this->move)($file, DealStatus::Active, $people['rosalind']);
        $file->update(['labels' => ['trust', 'land']]);
    }

    /** @param  array<string, User>  $people */
    private function leaseAndReferral(array $people): void
    {
        $this->story->at(-6, '15:30');
        $lease = $this->start($people, 'priya', Representation::Landlord, null, DealKind::Lease);
        $today = $this->story->today();
        $this->setFact->many($lease, [
            'property.street' => '55 Tollgate',
            'property.unit' => 'Apt 2',
            'property.city' => 'Pellingford',
            'property.state' => 'MW',
            'property.zip' => '20410',
            'property.year_built' => '1951',
            'rent' => '1,650',
            'deposit' => '1,650',
            'lease_start' => $today->plusDays(11)->iso(),
            'lease_end' => $today->plusDays(376)->iso(),
            'possession' => $today->plusDays(11)->iso(),
        ]);
        ($this->setParty)($lease, Seat::of('landlord.1'), new PartyDetails(
            name: 'Copperbeech Holdings LLC',
            kind: 'entity',
            signedBy: 'Ruben Castellanos',
            signingName: 'Ruben Castellanos, manager',
            capacity: 'as its manager',
            email: 'ruben@holdings.example',
        ));
        ($this->setParty)($lease, Seat::of('tenant.1'), new PartyDetails(name: 'Noor Petterson', email: 'noor@petterson.example'));
        $month = ['kind' => 'month', 'percent' => '100', 'of' => '1,650'];
        $lease->refresh()->load(['office', 'members', 'kits', 'knownFacts', 'parties']);
        ($this->commission)($lease, ['lines' => [$month]], $people['priya']);
        $referral = $this->start($people, 'tomas', Representation::Buyer, null, DealKind::Referral);
        ($this->setParty)($referral, Seat::of('buyer.1'), new PartyDetails(name: 'Cosima Lindqvist', email: 'cosima@lindqvist.example'));
        $this->setFact->many($referral, ['referred_to' => 'Harborstone Homes', 'referral_percent' => '25']);
    }

    /** @param  array<string, User>  $people */
    private function expiredListing(array $people): void
    {
        $this->story->at(-192, '11:00');
        $file = $this->start($people, 'caleb', Representation::Seller);
        $today = $this->story->today();
        $this->setFact->many($file, [
            'property.street' => '91 Bellfounder Street',
            'property.city' => 'Pellingford',
            'property.state' => 'MW',
            'property.year_built' => '1974',
            'list_price' => '398,000',
            'listed_on' => $today->plusDays(-190)->iso(),
            'listing_expires' => $today->plusDays(-10)->iso(),
        ]);
        ($this->setParty)($file, Seat::of('seller.1'), new PartyDetails(name: 'Perpetua Ashdown', email: 'perpetua@ashdown.example'));
        $this->papers->listed($file, $people['caleb'], $today->plusDays(-192), ['bedrooms' => '3', 'baths' => '1', 'included' => 'range']);
        ($this->move)($file, DealStatus::Active, $people['caleb']);
        $this->story->at(-188, '9:00');
        $this->papers->signPlaced($file, $people['caleb'], $people['ines']);
        $this->story->at(-10, '9:00');
        ($this->move)($file, DealStatus::Expired, $people['caleb'], 'The listing ran out without an offer.', $today->plusDays(-10));
    }

    /** @param  array<string, User>  $people */
    private function office(array $people): void
    {
        $this->story->now();
        $base = ['brokerage_id' => $people['ines']->brokerage_id];
        Contact::create([
            ...$base,
            'role' => 'escrow',
            'name' => 'Nadia Petrov',
            'firm' => 'Anchorfield Title & Escrow',
            'email' => 'nadia.petrov@anchorfield.example',
            'phone' => '(555) 555-0171',
            'standing' => true,
        ]);
        Contact::create([
            ...$base,
            'role' => 'lender',
            'name' => 'Owen Gallagher',
            'firm' => 'Brackwater Mutual Lending',
            'email' => 'owen.gallagher@brackwater.example',
            'phone' => '(555) 555-0172',
            'standing' => true,
        ]);
        SavedView::create([
            ...$base,
            'user_id' => $people['wendell']->id,
            'name' => 'December closings',
            'query' => 'closes:'.$people['wendell']->officeRoles->firstOrFail()->office->today()->year().'-12',
            'shared' => true,
        ]);
        Auth::setUser($people['wendell']);
        $file = DealFile::query()
            ->with(['office', 'members'])
            ->where('name', 'like', '14 Lanternfish%')
            ->firstOrFail();
        $this->tasks->add(
            $file,
            new NewTask('Ask Owen Gallagher how the agency is written', $file->office->today()->iso()),
            $people['wendell'],
        );
    }

    /** @param  array<string, User>  $people */
    private function start(
        array $people,
        string $agent,
        Representation $represents,
        ?string $listing = null,
        DealKind $kind = DealKind::Sale,
    ): DealFile {
        Auth::setUser($people[$agent]);
        $file = ($this->open)($people[$agent], $represents, $kind);
        $this->open->join($file, $people['wendell'], Role::Coordinator);
        $listing === null || app(BringListing::class, ['exchange' => OneListing::at($listing)])($file, $listing);

        return $file->refresh()->load(['office', 'members']);
    }
}
