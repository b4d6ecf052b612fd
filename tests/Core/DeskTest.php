<?php

declare(strict_types=1);

use Unanimus\Commission\CommissionRefusal;
use Unanimus\Commission\Proposed;
use Unanimus\Commission\Release;
use Unanimus\Files\DealStatus;
use Unanimus\Files\FileName;
use Unanimus\Files\FileRefusal;
use Unanimus\Files\PaperRefusal;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Files\SightRefusal;
use Unanimus\History\Chain;
use Unanimus\Money\Money;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\Representation;
use Unanimus\Parties\Side;
use Unanimus\Requirements\Condition;
use Unanimus\Requirements\Kit;
use Unanimus\Review\Completeness;
use Unanimus\Review\ReviewRefusal;
use Unanimus\Review\ReviewState;
use Unanimus\Terms\Fact;
use Unanimus\Terms\Facts;

it('computes a commission with its account', function () {
    $sheet = oneSheet('412500.00', '2.75', '70', '395.00');
    expect($sheet->gross->decimal())
        ->toBe('11343.75')
        ->and($sheet->payees[0]->amount->decimal())
        ->toBe('7545.63')
        ->and($sheet->payees[1]->amount->decimal())
        ->toBe('3798.12')
        ->and($sheet->payees[0]->formula)
        ->toBe('$7,940.63 − $395')
        ->and($sheet->tiesOut())
        ->toBeTrue()
        ->and($sheet->isFor(Money::of('412500')))
        ->toBeTrue()
        ->and($sheet->isFor(Money::of('412500.01')))
        ->toBeFalse();
});

it('ties out to the cent, whatever the figures', function () {
    mt_srand(13);
    for ($i = 0; $i < 2000; $i++) {
        $sheet = oneSheet(
            mt_rand(100_000, 99_999_999).'.'.sprintf('%02d', mt_rand(0, 99)),
            (string) (mt_rand(1, 60000) / 10000),
            (string) (mt_rand(0, 10000) / 100),
            '0',
        );
        expect($sheet->tiesOut())
            ->toBeTrue()
            ->and($sheet->payees[0]->amount->isNegative())
            ->toBeFalse();
    }
});

it('releases a disbursement only to the broker and only when the review is whole', function (
    array $states,
    bool $broker,
    ?CommissionRefusal $refusal,
) {
    $check = fn () => Release::check(Completeness::of($states), oneSheet('100000.00', '3', '60', '0'), $broker);
    $refusal === null ? expect($check())->toBeNull() : expect($check)->toBeRefused($refusal);
})->with([
    [[ReviewState::Accepted, ReviewState::DoesNotApply], true, null],
    [[ReviewState::Accepted, ReviewState::Submitted], true, CommissionRefusal::ReviewOpen],
    [[], true, CommissionRefusal::ReviewOpen],
    [[ReviewState::Accepted], false, CommissionRefusal::OnlyBroker],
]);

it('walks a requirement through review', function () {
    $state = ReviewState::NotSubmitted->submit();
    expect($state)
        ->toBe(ReviewState::Submitted)
        ->and($state->sendBack('mend it'))
        ->toBe(ReviewState::SentBack)
        ->and(ReviewState::SentBack->submit()->accept())
        ->toBe(ReviewState::Accepted)
        ->and(ReviewState::NotSubmitted->waive('cash'))
        ->toBe(ReviewState::DoesNotApply);
});

it('refuses review steps out of order', function (callable $step, ReviewRefusal $reason) {
    expect($step)->toBeRefused($reason);
})->with([
    [fn () => ReviewState::NotSubmitted->accept(), ReviewRefusal::NotSubmitted],
    [fn () => ReviewState::Submitted->submit(), ReviewRefusal::AlreadySubmitted],
    [fn () => ReviewState::Accepted->submit(), ReviewRefusal::AlreadyAccepted],
    [fn () => ReviewState::Accepted->sendBack('x'), ReviewRefusal::NotSubmitted],
    [fn () => ReviewState::Submitted->sendBack('  '), ReviewRefusal::NoRemark],
    [fn () => ReviewState::Accepted->waive('x'), ReviewRefusal::AlreadySettled],
    [fn () => ReviewState::Submitted->waive(''), ReviewRefusal::NoReason],
    [fn () => ReviewState::DoesNotApply->submit(), ReviewRefusal::DoesNotApply],
]);

it('shows 100 percent only when all is settled', function () {
    $states = array_fill(0, 299, ReviewState::Accepted);
    expect(Completeness::of([...$states, ReviewState::Submitted])->percent())
        ->toBe(99)
        ->and(Completeness::of($states)->percent())
        ->toBe(100)
        ->and(Completeness::of([])->percent())
        ->toBe(0);
});

it('moves papers only along their states', function (PaperState $from, PaperState $to, bool $allowed) {
    $allowed
        ? expect($from->to($to))->toBe($to)
        : expect(fn () => $from->to($to))->toBeRefused(PaperRefusal::NoSuchStep);
})->with([
    [PaperState::Expected, PaperState::Ready, true],
    [PaperState::Draft, PaperState::Out, true],
    [PaperState::Out, PaperState::Signed, true],
    [PaperState::Out, PaperState::Draft, true],
    [PaperState::Signed, PaperState::Signed, true],
    [PaperState::Void, PaperState::Draft, true],
    [PaperState::Out, PaperState::Void, false],
    [PaperState::Signed, PaperState::Draft, false],
    [PaperState::Signed, PaperState::Out, false],
    [PaperState::Expected, PaperState::Out, false],
    [PaperState::Void, PaperState::Signed, false],
]);

it('lets a paper be changed only while it is in the agent’s hands', function () {
    $told = array_map(
        static fn (PaperState $state) => [$state->value, $state->refusesChange(), $state->refusesChange(withReviewer: true) === null],
        PaperState::cases(),
    );
    expect(array_column(array_filter($told, static fn (array $one) => $one[1] === null), 0))
        ->toBe(['draft', 'ready'])
        ->and(array_filter(array_column($told, 2)))
        ->toBe([])
        ->and(PaperState::Draft->refusesChange(withReviewer: true))
        ->toBe(PaperRefusal::InReview)
        ->and(PaperState::Out->refusesChange(withReviewer: true))
        ->toBe(PaperRefusal::OutForSignature)
        ->and(fn () => PaperState::Out->mustBeInHand('Addendum'))
        ->toBeRefused(PaperRefusal::IsOut)
        ->and(fn () => PaperState::Void->mustBeInHand('Addendum'))
        ->toBeRefused(PaperRefusal::IsVoid);
    PaperState::Signed->mustBeInHand('Addendum');
});

it('lets people say who sees a paper as far as it is theirs to say', function (
    array $now,
    array $wanted,
    ?Side $own,
    bool $staff,
    ?SightRefusal $refused,
) {
    $sides = SeenBy::sides(DealKind::Sale, Representation::Both);
    $say = static fn () => (new SeenBy(...$now))->to(new SeenBy(...$wanted), $sides, $own, $staff);
    $refused === null ? expect($say()->is(new SeenBy(...$wanted)))->toBeTrue() : expect($say)->toBeRefused($refused);
})->with([
    'the buyers’ agent shows the buyers’ paper' => [[Side::Buyer, false], [null, false], Side::Buyer, false, null],
    'the coordinator gives a common paper to one side' => [[null, false], [Side::Seller, false], null, true, null],
    'the coordinator keeps it to the office' => [[null, false], [null, true], null, true, null],
    'an agent takes what both sides see' => [[null, false], [Side::Buyer, false], Side::Buyer, false, SightRefusal::BothSidesSeeIt],
    'an agent gives theirs away' => [[Side::Buyer, false], [Side::Seller, false], Side::Buyer, false, SightRefusal::OutOfOwnSight],
    'an agent keeps a paper to the office' => [[Side::Buyer, false], [Side::Buyer, true], Side::Buyer, false, SightRefusal::OnlyStaff],
    'a side that is none' => [[null, false], [Side::Tenant, false], null, true, SightRefusal::NoSuchSide],
]);

it('knows sides only where the brokerage serves both', function () {
    expect(SeenBy::sides(DealKind::Sale, Representation::Both))
        ->toBe([Side::Buyer, Side::Seller])
        ->and(SeenBy::sides(DealKind::Lease, Representation::Both))
        ->toBe([Side::Tenant, Side::Landlord])
        ->and(SeenBy::sides(DealKind::Sale, Representation::Buyer))
        ->toBe([])
        ->and(SeenBy::sides(DealKind::Referral, Representation::Both))
        ->toBe([])
        ->and((new SeenBy(Side::Buyer, true))->readable())
        ->toBe('the buyer’s side, office only')
        ->and((new SeenBy(null, false))->readable())
        ->toBe('everyone on the file');
});

it('moves files only along their statuses', function (DealStatus $from, DealStatus $to, bool $allowed) {
    $allowed ? expect($from->to($to))->toBe($to) : expect(fn () => $from->to($to))->toBeRefused(FileRefusal::NoSuchStep);
})->with([
    [DealStatus::Preparing, DealStatus::UnderContract, true],
    [DealStatus::UnderContract, DealStatus::Closed, true],
    [DealStatus::Preparing, DealStatus::Closed, false],
    [DealStatus::Closed, DealStatus::Active, true],
    [DealStatus::Closed, DealStatus::Terminated, false],
    [DealStatus::Terminated, DealStatus::Preparing, true],
    [DealStatus::Active, DealStatus::Expired, true],
    [DealStatus::UnderContract, DealStatus::Withdrawn, false],
]);

it('names a file after its property, else after its buyers', function (array $facts, string $name) {
    expect(FileName::from(Facts::from($facts)))->toBe($name);
})->with([
    [
        ['property.street' => '77 Millrace Court', 'property.unit' => '3B', 'property.city' => 'Pellingford'],
        '77 Millrace Court 3B, Pellingford',
    ],
    [['buyer.1.name' => 'Imogen Hollis', 'buyer.2.name' => 'Bastien Wren'], 'Hollis & Wren purchase'],
    [['buyer.1.name' => 'Sunniva Eide', 'buyer.2.name' => 'Lars Eide'], 'Eide purchase'],
    [[], 'New file'],
]);

it('asks for papers by rule and says why', function (array $facts, array $forms) {
    $kit = Kit::fromFile(dirname(__DIR__, 2).'/library/kits/purchase-buyer.json');
    $known = Facts::from($facts);
    expect(array_values(array_filter(array_map(static fn ($item) => $item->form, $kit->itemsFor($known)))))->toBe($forms);
})->with([
    'nothing known' => [[], ['M-102', 'M-201']],
    'old house, loan' => [['property.year_built' => '1962', 'financing' => 'government'], ['M-102', 'M-201', 'M-215', 'M-230']],
    'built in 1978' => [['property.year_built' => '1978', 'financing' => 'cash'], ['M-102', 'M-201']],
    'association' => [['property.association' => 'Cove'], ['M-102', 'M-201', 'M-222']],
]);

it('fills the deal\'s facts into the reason', function () {
    $kit = Kit::fromFile(dirname(__DIR__, 2).'/library/kits/purchase-buyer.json');
    $facts = Facts::from(['property.year_built' => '1962']);
    expect(array_map(static fn ($item) => $item->reasonFor($facts), $kit->itemsFor($facts)))->toContain('built 1962, before 1978');
});

it('takes the days of a deadline from the terms', function () {
    $kit = Kit::fromFile(dirname(__DIR__, 2).'/library/kits/purchase-buyer.json');
    $rules = $kit->deadlinesFor(Facts::from(['inspection_days' => '7']));
    expect(
        array_column(array_map(static fn ($rule) => ['name' => $rule->name, 'days' => $rule->days], $rules), 'days', 'name')['inspection'],
    )->toBe(7);
});

it('refuses operators it does not know', fn () => new Condition('price', 'like', '1'))->throws(InvalidArgumentException::class);

it('finds the first broken entry of a history', function () {
    $links = [];
    $before = Chain::START;
    foreach (range(1, 6) as $seq) {
        $columns = ["entry {$seq}", '{"b": 1}', null];
        $links[] = ['seq' => $seq, 'before' => $before, 'hash' => ($hash = Chain::hash($before, $columns)), 'columns' => $columns];
        $before = $hash;
    }
    expect(Chain::walk($links))->toBe(['broken' => null, 'seq' => 6, 'hash' => $before]);
    $changed = $links;
    $changed[3]['columns'][0] = 'something else';
    $missing = $links;
    unset($missing[2]);
    expect(Chain::walk($changed)['broken'])
        ->toBe(4)
        ->and(Chain::walk($missing)['broken'])
        ->toBe(3)
        ->and(Chain::walk([]))
        ->toBe(['broken' => null, 'seq' => 0, 'hash' => Chain::START])
        ->and(Chain::walk(array_slice($links, 0, 4))['seq'])
        ->toBe(4);
});

it('hashes no two entries alike by moving text from one column to the next', function () {
    expect(Chain::hash('', ['ab', 'c']))
        ->not->toBe(Chain::hash('', ['a', 'bc']))
        ->and(Chain::hash('', ['', null]))
        ->not->toBe(Chain::hash('', [null, '']))
        ->and(Chain::seal('key', 1, 2, 'x'))
        ->not->toBe(Chain::seal('key', 1, 3, 'x'))
        ->not->toBe(Chain::seal('other', 1, 2, 'x'));
});

it('reads several people in one line', fn (string $line, array $people) => expect(Unanimus\Files\Names::in($line))->toBe($people))->with([
    ['Halvard and Mina Ostergaard', ['Halvard Ostergaard', 'Mina Ostergaard']],
    ['Sunniva Eide, José Nguyễn-Ortiz', ['Sunniva Eide', 'José Nguyễn-Ortiz']],
    ['Imogen Hollis & Bastien Wren', ['Imogen Hollis', 'Bastien Wren']],
    ['Copperbeech Sand and Gravel LLC', ['Copperbeech Sand and Gravel LLC']],
    ['The Greywater Family Trust', ['The Greywater Family Trust']],
    ['Sandra Anderson', ['Sandra Anderson']],
    ['', []],
]);

it('begins a commission sheet with what the file says, and with nothing where it says nothing', function (?Side $side, ?string $rate) {
    $facts = new Facts(['listing_commission' => new Fact('2.7500', 'x'), 'buyer_commission' => new Fact('2.5000', 'x')]);
    $proposed = Proposed::of($facts, $side, [
        ['label' => 'Transaction fee', 'amount' => '395.00'],
        ['label' => 'Courier', 'amount' => null],
        ['label' => 'Storage', 'amount' => '5.50'],
    ]);
    expect($proposed->rate)->toBe($rate)->and($proposed->fee)->toBe('400.50')->and($proposed->feeName)->toBe('Transaction fee and Storage');
    $empty = Proposed::of(new Facts([]), $side, []);
    expect([$empty->rate, $empty->rateFrom, $empty->fee, $empty->feeName])->toBe([null, null, null, '']);
})->with([[Side::Buyer, '2.5000'], [Side::Tenant, '2.5000'], [Side::Seller, '2.7500'], [Side::Landlord, '2.7500'], [null, null]]);
