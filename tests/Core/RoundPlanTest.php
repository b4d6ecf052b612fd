<?php

declare(strict_types=1);

use Unanimus\Dates\LocalDate;
use Unanimus\Files\PaperState;
use Unanimus\Parties\Representation;
use Unanimus\Signing\PlannedPaper;
use Unanimus\Signing\PlannedSigner;
use Unanimus\Signing\RoundFault;
use Unanimus\Signing\RoundFaultKind;
use Unanimus\Signing\RoundPlan;
use Unanimus\Signing\Seat;

it('asks its own clients first, then those who serve them, the broker last', function (Representation $represents, array $expected) {
    $places = array_map(Seat::of(...), ['broker.1', 'agent.1', 'seller.1', 'buyer.2', 'buyer.1', 'agent.1', 'lender.1', 'buyer.3']);
    $taken = ['buyer.1', 'buyer.2', 'seller.1', 'agent.1', 'broker.1', 'lender.1'];
    expect(RoundPlan::turns($represents, $places, $taken))->toBe($expected);
})->with([
    'a buyer’s file' => [Representation::Buyer, ['buyer.1' => 1, 'buyer.2' => 1, 'agent.1' => 2, 'broker.1' => 3]],
    'a listing' => [Representation::Seller, ['seller.1' => 1, 'agent.1' => 2, 'broker.1' => 3]],
    'both sides ours' => [Representation::Both, ['buyer.1' => 1, 'buyer.2' => 1, 'seller.1' => 1, 'agent.1' => 2, 'broker.1' => 3]],
]);

it('asks nobody who is not in the file, and nobody without a place', function () {
    expect(RoundPlan::turns(Representation::Buyer, [Seat::of('buyer.1')], []))
        ->toBe([])
        ->and(RoundPlan::turns(Representation::Buyer, [], ['buyer.1']))
        ->toBe([]);
});

/** @return list<RoundFaultKind> */
function planFaults(array $signers, array $papers, ?string $last = null, ?string $offer = null): array
{
    $day = fn (?string $iso) => $iso === null ? null : LocalDate::of($iso);

    return array_map(fn (RoundFault $fault) => $fault->kind, RoundPlan::faults($signers, $papers, $day($last), $day($offer)));
}

it('says what is wrong with a round before it goes out', function () {
    $ana = new PlannedSigner('s1', 'Ana', 'ana@client.example', true);
    $good = new PlannedPaper('p1', 'Agreement', PaperState::Draft, true);
    expect(planFaults([$ana], [$good]))
        ->toBe([])
        ->and(planFaults([], [$good]))
        ->toBe([RoundFaultKind::NobodySigns])
        ->and(planFaults([new PlannedSigner('s1', 'Ana', '', true)], [$good]))
        ->toBe([RoundFaultKind::NoAddress])
        ->and(planFaults([$ana], [new PlannedPaper('p1', 'Agreement', PaperState::Out, false, ['Price', 'Closing'])]))
        ->toBe([RoundFaultKind::PaperUnsigned, RoundFaultKind::BlankMissing, RoundFaultKind::PaperNotOpen])
        ->and(planFaults([], [new PlannedPaper('p1', 'Scan', PaperState::Draft, false, reading: true)]))
        ->toBe([RoundFaultKind::BeingRead])
        ->and(planFaults([$ana], [new PlannedPaper('p1', 'Scan', PaperState::Draft, true, reading: true)]))
        ->toBe([RoundFaultKind::StillRead]);
    $fault = RoundPlan::faults([$ana], [new PlannedPaper('p1', 'Agreement', PaperState::Draft, true, ['Price', 'Closing'])])[0];
    expect($fault->text)
        ->toBe('“Agreement” has 2 required blanks empty: Price …')
        ->and($fault->paper)
        ->toBe('p1')
        ->and(RoundPlan::faults([$ana], [new PlannedPaper('p1', 'Agreement', PaperState::Ready, true, ['Price'])])[0]->text)
        ->toBe('“Agreement” has a required blank empty: Price.')
        ->and(RoundPlan::faults([new PlannedSigner('s1', 'Ana', '', false)], [$good])[0]->text)
        ->toBe('Ana has no email address. Their own agent adds it in the file.');
});

it('says when the offer expires before the last day to sign, and lets it be sent', function () {
    $ana = new PlannedSigner('s1', 'Ana', 'ana@client.example', true);
    $good = new PlannedPaper('p1', 'Agreement', PaperState::Draft, true);
    expect(planFaults([$ana], [$good], '2026-12-02', '2026-12-01'))
        ->toBe([RoundFaultKind::LastDayAfterOffer])
        ->and(planFaults([$ana], [$good], '2026-12-01', '2026-12-01'))
        ->toBe([])
        ->and(planFaults([$ana], [$good], '2026-12-02', null))
        ->toBe([]);
    expect(array_values(array_filter(RoundFaultKind::cases(), fn (RoundFaultKind $kind) => ! $kind->isBlocking())))
        ->toBe([
            RoundFaultKind::LastDayAfterOffer,
            RoundFaultKind::FactUnchecked,
            RoundFaultKind::PagesUnseen,
            RoundFaultKind::StillRead,
            RoundFaultKind::OnOneSpot,
            RoundFaultKind::OverText,
            RoundFaultKind::WithoutInitials,
            RoundFaultKind::SignsNothing,
            RoundFaultKind::NameDiffers,
        ])
        ->and(RoundPlan::faults([$ana], [$good], null, null, ['Parcel', 'County'])[0]->text)
        ->toBe('On the contract and not checked yet: Parcel, County.');
});

it('names papers that were not looked at one by one, and many of them once', function () {
    $ana = new PlannedSigner('s1', 'Ana', 'ana@client.example', true);
    $told = static fn (int $count): array => array_map(
        static fn ($fault) => $fault->text,
        RoundPlan::faults(
            [$ana],
            array_map(
                static fn (int $n) => new PlannedPaper("p{$n}", "Sheet {$n}", PaperState::Draft, true, unseen: $n),
                range(0, $count),
            ),
        ),
    );
    expect($told(2))
        ->toBe(['Not looked at yet: 1 page of “Sheet 1”.', 'Not looked at yet: 2 pages of “Sheet 2”.'])
        ->and($told(3))
        ->toHaveCount(3)
        ->and($told(4))
        ->toBe(['Not looked at yet: 10 pages of 4 papers.']);
});
