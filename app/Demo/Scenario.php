<?php

declare(strict_types=1);

namespace App\Demo;

use App\Commission\Actions\SetCommission;
use App\Files\Actions\BringListing;
use App\Files\Actions\MarkDeadline;
use App\Files\Actions\OpenFile;
use App\Files\Actions\SetFact;
use App\Files\Actions\SetParty;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Round;
use App\Models\Signer;
use App\Models\User;
use App\Papers\Actions\BringIn;
use App\Papers\Actions\StoreEntry;
use App\Review\Actions\Decide;
use App\Review\Actions\SubmitPaper;
use App\Signing\Actions\ComposeRound;
use App\Signing\Actions\RecordEvent;
use App\Signing\Actions\SealSet;
use App\Signing\Actions\SendRound;
use Illuminate\Support\Facades\Auth;
use Unanimus\Exchange\Listing;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Press;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\AdoptedSignature;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\Seat;

/** The scenario's own files, made by the same actions a person's clicks call, so that nothing in them is pretended. */
final class Scenario
{
    public function __construct(
        private readonly OpenFile $open,
        private readonly SetFact $setFact,
        private readonly SetParty $setParty,
        private readonly StoreEntry $storeEntry,
        private readonly ComposeRound $compose,
        private readonly SendRound $send,
        private readonly RecordEvent $record,
        private readonly SealSet $seal,
        private readonly SubmitPaper $submit,
        private readonly Decide $decide,
        private readonly BringIn $bringIn,
        private readonly Press $press,
    ) {
    }

    /** @param  array<string, User>  $people */
    public function lay(array $people): void
    {
        $this->lanternfish($people);
        $this->hollisAndWren($people);
        Auth::logout();
    }

    /** @param  array<string, User>  $people */
    private function lanternfish(array $people): void
    {
        $tomas = $people['tomas'];
        Auth::setUser($tomas);
        $file = ($this->open)($tomas, 'buyer');
        $this->open->join($file, $people['wendell'], 'coordinator');
        $today = $file->office->today();
        $this->listing($file, 'TR-26-04182');
        ($this->setParty)($file, Seat::of('buyer.1'), [
            'name' => 'Sunniva Eide',
            'email' => 'sunniva@eide.example',
            'phone' => '(555) 555-0141',
        ]);
        ($this->setParty)($file, Seat::of('buyer.2'), [
            'name' => 'José Nguyễn-Ortiz',
            'email' => 'jose@eide.example',
            'phone' => '(555) 555-0142',
        ]);
        ($this->setParty)($file, Seat::of('escrow.1'), [
            'name' => 'Nadia Petrov',
            'firm' => 'Anchorfield',
            'email' => 'nadia.petrov@anchorfield.example',
        ]);
        ($this->setParty)($file, Seat::of('lender.1'), [
            'name' => 'Owen Gallagher',
            'firm' => 'Brackwater',
            'email' => 'owen.gallagher@brackwater.example',
        ]);
        $accepted = $today->plusDays(-20);
        foreach (
            [
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
                'offer_date' => $accepted->plusDays(-2)->iso(),
                'offer_expiry' => $accepted->plusDays(1)->iso(),
                'buyer_commission' => '2.75',
                'offer_expiry_time' => '5pm',
                'closing' => $today->plusDays(25)->iso(),
                'possession' => $today->plusDays(28)->iso(),
                'acceptance' => $accepted->iso(),
            ] as $name => $value
        ) {
            ($this->setFact)($file, $name, $value);
        }
        app(
            SetCommission::class,
        )($file->refresh()->load(['office', 'parties', 'knownFacts', 'papers', 'members', 'kits']), ['rate' => '2.75', 'agent_share' => '70', 'fee' => '395', 'fee_name' => 'Transaction fee']);
        $file->load(['knownFacts', 'office']);
        foreach (['earnest', 'inspection', 'repair_answer', 'title'] as $done) {
            app(MarkDeadline::class)($file->refresh()->load(['knownFacts', 'office']), $done, true);
        }
        $this->fill($file, 'M-102', []);
        $this->fill($file, 'M-201', []);
        $this->fill($file, 'M-215', ['agency' => 'Federal housing insurance', 'fee_loan' => 'x', 'repairs' => '1500']);
        $this->fill($file, 'M-230', ['known_no' => 'x', 'reports_no' => 'x']);
        $this->signedByAll($file, ['M-102'], $tomas);
        $this->signedByAll($file, ['M-201', 'M-215'], $tomas);
        $this->review($file, $people);
        $round = $this->round(
            $file,
            ['M-230'],
            $tomas,
            'The lead paint disclosure for the brokerage, built 1962. One page to read, one place to sign.',
        );
        $this->sign($round, 'buyer.1');
        $this->act($round, 'buyer.2', EventKind::Opened, 'opened:buyer.2');
    }

    /** @param  array<string, User>  $people */
    private function review(DealFile $file, array $people): void
    {
        foreach (['M-102' => 'accept', 'M-201' => 'accept', 'M-215' => 'remark'] as $form => $what) {
            $requirement = $file
                ->requirements()
                ->whereHas('paper', static fn ($paper) => $paper->where('form_number', $form))
                ->firstOrFail();
            ($this->submit)($requirement, $people['tomas']);
            $what === 'accept'
                ? $this->decide->accept($requirement, $people['ines'])
                : $this->decide->sendBack(
                    $requirement,
                    $people['ines'],
                    'The agency named in section 1 is not how the lender writes it. Please check with Owen Gallagher.',
                    1,
                    new Rect(330, 168, 1, 1),
                );
        }
        $scratch = new Scratch();
        $page = (new Drawing(612, 792))
            ->text(60, 90, 18, 'Receipt for earnest money', weight: 'bold')
            ->text(60, 130, 11, 'Anchorfield Title & Escrow has received $8,000.00 for 14 Lanternfish Lane, Tidewick.')
            ->text(60, 160, 11, 'Nadia Petrov, closer');
        $receipt = $file->papers()->where('title', 'Earnest money receipt')->firstOrFail();
        ($this->bringIn)($file, $scratch->put('receipt.pdf', $this->press->print([$page])), 'Earnest money receipt', $receipt);
        ($this->submit)($file->requirements()->where('paper_id', $receipt->id)->firstOrFail(), $people['tomas']);
    }

    /** @param  array<string, User>  $people */
    private function hollisAndWren(array $people): void
    {
        Auth::setUser($people['rosalind']);
        $file = ($this->open)($people['rosalind'], 'buyer');
        $this->open->join($file, $people['wendell'], 'coordinator');
        ($this->setParty)($file, Seat::of('buyer.1'), ['name' => 'Imogen Hollis', 'email' => 'imogen@hollis.example']);
        ($this->setParty)($file, Seat::of('buyer.2'), ['name' => 'Bastien Wren', 'email' => 'bastien@wren.example']);
        ($this->setFact)(
            $file,
            'offer_date',
            $file->office
                ->today()
                ->plusDays(-4)
                ->iso(),
        );
        $this->fill($file, 'M-102', []);
        $this->signedByAll($file, ['M-102'], $people['rosalind']);
    }

    /** The listing from the stand-in's own data: the seeding works without the server running. */
    private function listing(DealFile $file, string $number): void
    {
        foreach (
            json_decode((string) file_get_contents(base_path('stand-ins/listing-exchange/listings.json')), true, 32, JSON_THROW_ON_ERROR) as $data
        ) {
            if ($data['ListingId'] === $number) {
                app(BringListing::class, ['exchange' => new OneListing(Listing::fromReso($data))])($file, $number);
            }
        }
    }

    /** @param  array<string, string>  $entries */
    private function fill(DealFile $file, string $form, array $entries): void
    {
        $paper = $this->paper($file, $form);
        foreach ($entries as $blank => $value) {
            ($this->storeEntry)($paper, $blank, $value, "seed:{$blank}");
        }
    }

    private function paper(DealFile $file, string $form): Paper
    {
        return $file->papers()->where('form_number', $form)->firstOrFail();
    }

    /** @param  list<string>  $forms */
    private function round(DealFile $file, array $forms, User $by, string $message = ''): Round
    {
        $file->refresh()->load(['office', 'parties', 'knownFacts', 'papers']);
        $round = ($this->compose)($file, array_map(fn (string $form) => $this->paper($file, $form), $forms), $by);
        $round->update(['message' => $message]);
        $round->setRelation('file', $file);
        ($this->send)($round);

        return $round;
    }

    /** @param  list<string>  $forms */
    private function signedByAll(DealFile $file, array $forms, User $by): void
    {
        $round = $this->round($file, $forms, $by);
        foreach ($round->refresh()->load('signers')->signers as $signer) {
            $this->sign($round, $signer->seat);
        }
        ($this->seal)($round->refresh());
    }

    private function sign(Round $round, string $seat): void
    {
        $signer = Signer::query()->where('round_id', $round->id)->where('seat', $seat)->firstOrFail();
        $this->act($round, $seat, EventKind::Opened, "opened:{$seat}");
        $this->act($round, $seat, EventKind::Consented, "consented:{$seat}");
        $hands = array_keys(AdoptedSignature::HANDS);
        $signature = AdoptedSignature::typed($signer->name, $signer->initials, $hands[$signer->id % 4]);
        $this->act($round, $seat, EventKind::Adopted, "adopted:{$seat}", ['hand' => $signature->hand, 'signature' => $signature->digest()]);
        $signer->refresh()->update(['adopted' => $signature->toArray()]);
        foreach (
            $round
                ->refresh()
                ->load(['signers', 'marks', 'events'])
                ->state()
                ->owes($seat) as $mark
        ) {
            $this->act($round, $seat, EventKind::Marked, "mark:{$seat}:{$mark}", ['mark' => $mark]);
        }
        $this->act($round, $seat, EventKind::Finished, "finished:{$seat}");
    }

    /** @param  array<string, mixed>  $data */
    private function act(Round $round, string $seat, EventKind $kind, string $once, array $data = []): void
    {
        ($this->record)($round, new RoundEvent($kind, $seat, $data), $once, ['address' => '127.0.0.1', 'device' => 'demo']);
    }
}
