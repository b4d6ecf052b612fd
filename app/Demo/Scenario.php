<?php

declare(strict_types=1);

namespace App\Demo;

use App\Commission\Actions\SetCommission;
use App\Files\Actions\BringListing;
use App\Files\Actions\FileListing;
use App\Files\Actions\MarkDeadline;
use App\Files\Actions\OpenFile;
use App\Files\Actions\SetFact;
use App\Files\Actions\SetParty;
use App\Models\DealFile;
use App\Models\Role;
use App\Models\User;
use App\Review\Actions\Decide;
use App\Signing\Actions\GiveWorkingCopy;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use Unanimus\Dates\LocalDate;
use Unanimus\Pages\Rect;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\Representation;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\Seat;

/** The scenario's own files, made by the same actions a person's clicks call, so that nothing in them is pretended. */
final class Scenario
{
    public function __construct(
        private readonly Story $story,
        private readonly PaperWork $papers,
        private readonly OpenFile $open,
        private readonly SetFact $setFact,
        private readonly SetParty $setParty,
        private readonly MarkDeadline $mark,
        private readonly Decide $decide,
    ) {
    }

    /** @param  array<string, User>  $people */
    public function lay(array $people): void
    {
        $this->story->at(-299, '10:30');
        app(Plans::class)->lay($people, $this->story->today());
        $this->lanternfish($people);
        $this->hollisAndWren($people);
        $this->story->now();
        Auth::logout();
    }

    /** @param  array<string, User>  $people */
    private function lanternfish(array $people): void
    {
        $tomas = $people['tomas'];
        $today = $this->story->today();
        $this->story->at(-29, '9:14');
        Auth::setUser($tomas);
        $file = ($this->open)($tomas, Representation::Buyer);
        $this->open->join($file, $people['wendell'], Role::Coordinator);
        $this->listing($file, 'TR-26-04182');
        $this->people($file);
        $this->setFact->many($file, ['buyer_commission' => '2.75']);

        $this->story->at(-22, '9:20');
        $accepted = $today->plusDays(-20);
        $this->offer($file, $accepted->plusDays(-2), $accepted->plusDays(1));
        $this->papers->signedByAll($file, ['M-102'], $tomas, ['agent.1' => [-22, '9:41']]);
        $this->story->at(-22, '10:05');
        $this->papers->fill($file, 'M-201', []);
        $this->papers->fill($file, 'M-215', ['agency' => 'Federal housing insurance', 'fee_loan' => 'x', 'repairs' => '1500']);
        $this->papers->signedByAll($file, ['M-201', 'M-215'], $tomas, [
            'buyer.2' => [-22, '20:21'],
        ]);
        // The seller signs with her own agent, by pen; the buyers' agent gets the scan.
        $this->story->at(-20, '16:52');
        $seller = ['seller.1' => 'Beatrix Palomar'];
        $this->papers->returned($file, 'M-201', $seller, $accepted, ['accepts' => 'x', 'acceptance' => $accepted->slashed()]);
        $this->papers->returned($file, 'M-215', $seller, $accepted);
        $this->story->at(-20, '17:10');
        $this->fileListing('TR-26-04182', $file);
        $this->setFact->many($file->refresh()->load(['knownFacts', 'office']), ['acceptance' => $accepted->iso()]);
        $this->underContract($file, $people);
    }

    private function people(DealFile $file): void
    {
        foreach (
            [
                'buyer.1' => new PartyDetails(name: 'Sunniva Eide', email: 'sunniva@eide.example', phone: '(555) 555-0141'),
                'buyer.2' => new PartyDetails(name: 'José Nguyễn-Ortiz', email: 'jose@eide.example', phone: '(555) 555-0142'),
                'escrow.1' => new PartyDetails(name: 'Nadia Petrov', firm: 'Anchorfield', email: 'nadia.petrov@anchorfield.example'),
                'lender.1' => new PartyDetails(name: 'Owen Gallagher', firm: 'Brackwater', email: 'owen.gallagher@brackwater.example'),
            ] as $seat => $who
        ) {
            ($this->setParty)($file, Seat::of($seat), $who);
        }
    }

    private function offer(DealFile $file, LocalDate $made, LocalDate $expires): void
    {
        $this->setFact->many($file, [
            'price' => '412,500',
            'earnest_money' => '8,000',
            'financing' => 'government',
            'loan_percent' => '96.5',
            'concessions' => '5,000',
            'escrow_holder' => 'Anchorfield Title & Escrow',
            'lender' => 'Brackwater Mutual Lending',
            'included' => 'range, porch swing',
            'earnest_days' => '3',
            'inspection_days' => '10',
            'appraisal_days' => '28',
            'loan_days' => '35',
            'offer_date' => $made->iso(),
            'offer_expiry' => $expires->iso(),
            'offer_expiry_time' => '5pm',
            'closing' => ($closing = $this->story->businessDay(25))->iso(),
            'possession' => $closing->plusDays(3)->iso(),
        ]);
        $file->load(['knownFacts', 'office']);
    }

    /** @param  array<string, User>  $people */
    private function underContract(DealFile $file, array $people): void
    {
        [$tomas, $ines] = [$people['tomas'], $people['ines']];
        $this->story->at(-19, '9:30');
        $this->papers->accepted($file, 'M-102', $tomas, $ines);
        $this->papers->accepted($file, 'M-201', $tomas, $ines);
        $this->story->at(-18, '11:02');
        $this->met($file, 'earnest');
        $this->papers->uploaded($file, 'Earnest money receipt', [
            'Anchorfield Title & Escrow has received $8,000.00 for 14 Lanternfish Lane, Tidewick.',
            'Nadia Petrov, closer',
        ]);
        $this->story->at(-10, '15:20');
        $this->met($file, 'inspection');
        $this->story->at(-7, '10:44');
        $this->met($file, 'repair_answer');
        $this->story->at(-5, '13:15');
        $this->met($file, 'title');
        $this->papers->as($people['wendell'], fn () => $this->papers->tasksDone($file, $people['wendell']));
        $this->story->at(-2, '16:05');
        app(SetCommission::class)(
            $file->refresh()->load(['office', 'parties', 'knownFacts', 'papers', 'members', 'kits']),
            ['rate' => '2.75', 'fee' => '395', 'fee_name' => 'Transaction fee', 'franchise' => '6', 'franchise_when' => 'before'],
            $tomas,
        );
        $financing = $this->papers->submitted($file, 'M-215', $tomas);
        $this->story->at(-1, '9:12');
        $this->papers->as(
            $ines,
            fn () => $this->decide->sendBack(
                $financing,
                $ines,
                'The agency named in section 1 is not how the lender writes it. Please check with Owen Gallagher.',
                1,
                new Rect(330, 168, 1, 1),
            ),
        );
        $this->papers->submitted($file, 'Earnest money receipt', $tomas);
        // Signed by pen at the kitchen table; one of the buyers was not there, and nobody has noticed.
        $this->papers->fill($file, 'OC-11', []);
        $this->papers->returned(
            $file,
            'OC-11',
            ['buyer.1' => 'Sunniva Eide', 'seller.1' => 'Beatrix Palomar'],
            $this->story->today()->plusDays(-2),
            ['septic_days' => '12', 'well_days' => '12', 'limit' => '1,500', 'agree_days' => '5'],
        );
        $this->story->at(-1, '11:26');
        $this->papers->submitted(
            $file,
            'OC-11',
            $tomas,
            Carbon::parse($this->story->today()->plusDays(1)->iso().' 15:00', $file->office->zone)->utc(),
            'the septic inspector comes the day after',
        );
        $this->papers->fill($file, 'M-230', ['known_no' => 'x', 'reports_no' => 'x']);
        $this->story->at(-1, '14:30');
        $round = $this->papers->round(
            $file,
            ['M-230'],
            $tomas,
            'The lead paint disclosure for the brokerage, built 1962. One page to read, one place to sign.',
        );
        $this->story->at(-1, '18:03');
        $this->papers->sign($round, 'buyer.1');
        $this->story->at(-1, '21:40');
        $this->papers->act($round, 'buyer.2', EventKind::Opened, 'opened:buyer.2');
        $this->story->at(0, '8:50');
        $this->papers->fromOutside(
            $file,
            'Chimney repair letter',
            [
                'The sellers have the chimney of 14 Lanternfish Lane repaired before closing, by a mason',
                'of their choice, and leave the bill with the keys. Nothing else of the agreement changes.',
            ],
            ['Buyer', 'Buyer', 'Seller', 'Licensee'],
            $tomas,
        );
        $this->story->at(0, '8:58');
        $file->refresh()->load(['office', 'parties', 'knownFacts', 'members']);
        app(GiveWorkingCopy::class)->give(
            $file,
            [$file->papers()->where('title', 'Chimney repair letter')->with('latest')->firstOrFail()->setRelation('file', $file)],
            [
                'name' => 'Lucian Ferro',
                'firm' => 'Harborstone Homes',
                'email' => 'lucian@harborstone.example',
                'message' => 'The letter about the chimney, for Beatrix to sign where it says seller.',
            ],
            $this->story->today()->plusDays(14),
            $tomas,
        );
    }

    private function met(DealFile $file, string $deadline): void
    {
        ($this->mark)($file->refresh()->load(['knownFacts', 'office', 'kits']), $deadline, true);
    }

    /** @param  array<string, User>  $people */
    private function hollisAndWren(array $people): void
    {
        $this->story->at(-4, '10:20');
        Auth::setUser($people['rosalind']);
        $file = ($this->open)($people['rosalind'], Representation::Buyer);
        $this->open->join($file, $people['wendell'], Role::Coordinator);
        ($this->setParty)($file, Seat::of('buyer.1'), new PartyDetails(name: 'Imogen Hollis', email: 'imogen@hollis.example'));
        ($this->setParty)($file, Seat::of('buyer.2'), new PartyDetails(name: 'Bastien Wren', email: 'bastien@wren.example'));
        ($this->setFact)($file, 'offer_date', $this->story->today()->plusDays(-4)->iso());
        $this->papers->fill($file, 'M-102', []);
        $this->papers->signedByAll($file, ['M-102'], $people['rosalind'], ['buyer.2' => [-3, '12:06']]);
    }

    private function fileListing(string $number, DealFile $file): void
    {
        $one = OneListing::at($number);
        app(FileListing::class)($file, $one->listing($number), $one->photographs($one->listing($number)), $one->name());
    }

    private function listing(DealFile $file, string $number): void
    {
        app(BringListing::class, ['exchange' => OneListing::at($number)])($file, $number);
    }
}
