<?php

declare(strict_types=1);

namespace App\Demo;

use App\Commission\Actions\SetCommission;
use App\Files\Actions\BringListing;
use App\Files\Actions\FileListing;
use App\Files\Actions\MarkDeadline;
use App\Files\Actions\MoveStatus;
use App\Files\Actions\OpenFile;
use App\Files\Actions\SetFact;
use App\Files\Actions\SetParty;
use App\Models\DealFile;
use App\Models\Role;
use App\Models\User;
use App\Papers\Actions\TakeForm;
use Illuminate\Support\Facades\Auth;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\DealStatus;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\Representation;
use Unanimus\Parties\Side;
use Unanimus\Signing\Seat;
use Unanimus\Terms\Agency;

/** An in-house deal that closes next week: signed, reviewed, and complete but for the closing statement. */
final class Millrace
{
    private const AGREEMENT = [
        'appraisal_yes' => 'x',
        'inspect_yes' => 'x',
        'ins_structure' => 'x',
        'ins_systems' => 'x',
        'deed_general' => 'x',
        'day_ends' => '21:00',
        'repair_answer' => '3',
        'repair_decide' => '3',
        'title_days' => '15',
        'title_object' => '5',
        'walk_days' => '2',
        'possession_time' => '17:00',
        'home_no' => 'x',
        'mediate_yes' => 'x',
        'by_wire' => 'x',
        'c_papers_days' => '7',
        'c_read_days' => '5',
        'for_buyer' => 'x',
    ];

    private const FINANCING = [
        'agency' => 'none',
        'fixed' => 'x',
        'loan_years' => '30',
        'apply_days' => '3',
        'order_days' => '7',
        'appraisal_notice' => '2',
        'appraisal_talk' => '5',
    ];

    public function __construct(
        private readonly Story $story,
        private readonly PaperWork $papers,
        private readonly OpenFile $open,
        private readonly SetFact $setFact,
        private readonly SetParty $setParty,
        private readonly MoveStatus $move,
        private readonly MarkDeadline $mark,
        private readonly TakeForm $takeForm,
    ) {
    }

    /** @param  array<string, User>  $people */
    public function lay(array $people): void
    {
        $file = $this->listed($people);
        $file = $this->sold($file, $people);
        $this->nearlyClosed($file, $people);
        $this->story->now();
    }

    /** @param  array<string, User>  $people */
    private function listed(array $people): DealFile
    {
        $this->story->at(-64, '10:30');
        Auth::setUser($people['priya']);
        $file = ($this->open)($people['priya'], Representation::Seller);
        $this->open->join($file, $people['wendell'], Role::Coordinator);
        $this->listing($file);
        $today = $this->story->today();
        ($this->setParty)($file, Seat::of('seller.1'), new PartyDetails(
            name: 'Idris Vantongeren',
            email: 'idris@vantongeren.example',
            phone: '(555) 555-0162',
        ));
        $this->setFact->many($file, [
            'listed_on' => $today->plusDays(-62)->iso(),
            'listing_expires' => $today->plusDays(118)->iso(),
            'listing_commission' => '2.75',
            'buyer_commission' => '2.5',
        ]);
        $sheet = ['bedrooms' => '2', 'baths' => '2', 'included' => 'washer and dryer'];
        $this->papers->listed($file, $people['priya'], $today->plusDays(-64), $sheet);
        $this->story->at(-62, '9:00');
        ($this->move)($file->refresh(), DealStatus::Active, $people['priya']);
        $this->story->at(-60, '15:10');
        $this->papers->signPlaced($file, $people['priya'], $people['ines']);

        return $file;
    }

    /** @param  array<string, User>  $people */
    private function sold(DealFile $file, array $people): DealFile
    {
        $this->story->at(-33, '9:15');
        $caleb = $people['caleb'];
        Auth::setUser($caleb);
        $file = $this->open->joinOtherSide($file->id, $caleb)->load(['office', 'members', 'knownFacts']);
        $today = $this->story->today();
        $closing = $this->weekday($today->plusDays(7));
        ($this->setParty)($file, Seat::of('buyer.1'), new PartyDetails(
            name: 'Leonie Abara',
            email: 'leonie@abara.example',
            phone: '(555) 555-0161',
        ));
        $this->setFact->many($file, [
            'price' => '283,500',
            'earnest_money' => '6,000',
            'financing' => 'conventional',
            'loan_percent' => '75',
            'closing' => $closing->iso(),
            'possession' => $closing->iso(),
            'escrow_holder' => 'Anchorfield Title & Escrow',
            'earnest_days' => '3',
            'inspection_days' => '10',
            'appraisal_days' => '21',
            'loan_days' => '28',
            'offer_date' => $today->plusDays(-33)->iso(),
            'offer_expiry' => $today->plusDays(-30)->iso(),
            'offer_expiry_time' => '5pm',
            'agency' => Agency::Both->value,
        ]);
        $this->takeForm->take($file, 'M-202');
        $file->refresh()->load(['office', 'members', 'knownFacts', 'parties', 'papers']);
        $file->update(['labels' => ['both sides']]);
        $this->papers->fill($file, 'M-202', self::AGREEMENT);
        $this->papers->fill($file, 'M-214', self::FINANCING);
        $this->papers->fill($file, 'M-222', ['dues' => '210', 'dues_month' => 'x', 'papers_days' => '7', 'read_days' => '5']);
        $this->papers->signedByAll($file, ['M-102', 'M-104'], $caleb, ['seller.1' => [-33, '11:12'], 'broker.1' => [-33, '12:40']]);
        $this->story->at(-33, '13:30');
        $this->papers->signedByAll($file, ['M-202', 'M-214', 'M-222'], $caleb, ['seller.1' => [-31, '15:26']]);

        $this->story->at(-31, '15:50');
        $file = $file->refresh()->load(['office', 'members', 'knownFacts', 'parties', 'papers', 'kits']);
        $one = OneListing::at('TR-26-03544');
        app(FileListing::class)($file, $one->listing('TR-26-03544'), $one->photographs($one->listing('TR-26-03544')), $one->name());
        $this->setFact->many($file, ['acceptance' => $today->plusDays(-31)->iso()]);

        return $file->refresh()->load(['office', 'members', 'knownFacts', 'parties', 'papers', 'kits']);
    }

    /** @param  array<string, User>  $people */
    private function nearlyClosed(DealFile $file, array $people): void
    {
        [$priya, $ines] = [$people['priya'], $people['ines']];
        $this->story->at(-29, '10:10');
        $this->met($file, 'earnest');
        $this->papers->uploaded($file, 'Earnest money receipt', [
            'Anchorfield Title & Escrow has received $6,000.00 for 77 Millrace Court 3B, Pellingford.',
            'Nadia Petrov, closer',
        ]);
        $this->story->at(-27, '14:45');
        $this->papers->uploaded($file, 'Condominium declaration and bylaws', ['Millrace Court Owners, declaration and bylaws as recorded '.
            'in 2004.']);
        $this->papers->scanned($file, 'M-231', ['Filled in and signed on paper by Idris Vantongeren.']);
        $this->story->at(-26, '9:20');
        $outside = ['Earnest money receipt', 'Condominium declaration and bylaws'];
        foreach (['M-101', 'M-105', 'M-102', 'M-104', 'M-202', 'M-214', 'M-222', 'M-231', ...$outside] as $which) {
            $this->papers->accepted($file, $which, $priya, $ines);
        }
        foreach ([[-21, 'inspection'], [-18, 'repair_answer'], [-16, 'title'], [-4, 'loan']] as [$day, $deadline]) {
            $this->story->at($day, '16:00');
            $this->met($file, $deadline);
        }
        $this->papers->as($people['wendell'], fn () => $this->papers->tasksDone($file, $people['wendell']));
        $this->story->at(-3, '11:30');
        // The deal that takes her to her cap; the buyers' side, of the same house, is Caleb's.
        $whole = $file->refresh()->load(['office', 'parties', 'knownFacts', 'papers', 'members', 'kits']);
        $fee = ['fee' => '395', 'fee_name' => 'Transaction fee', 'franchise' => '6', 'franchise_when' => 'before'];
        app(SetCommission::class)($whole, ['rate' => '2.75', ...$fee], $priya, Side::Seller);
        $buyers = [
            'rate' => '2.5',
            'referral' => '20%',
            'referral_to' => 'Harborstone Homes',
            'note' => 'Harborstone Homes sent the buyers. They are paid by escrow.',
            'bonus' => '1,000',
            'bonus_through' => 'split',
            ...$fee,
        ];
        app(SetCommission::class)($whole, $buyers, $priya, Side::Buyer);
    }

    private function met(DealFile $file, string $deadline): void
    {
        ($this->mark)($file->refresh()->load(['knownFacts', 'office', 'kits']), $deadline, true);
    }

    private function listing(DealFile $file): void
    {
        app(BringListing::class, ['exchange' => OneListing::at('TR-26-03544')])($file, 'TR-26-03544');
    }

    private function weekday(LocalDate $day): LocalDate
    {
        return $day->weekday() > 5 ? $day->plusDays(8 - $day->weekday()) : $day;
    }
}
