<?php

declare(strict_types=1);

use Unanimus\Commission\CommissionRefusal;
use Unanimus\Commission\DisbursementWording;
use Unanimus\Commission\FeeEntered;
use Unanimus\Commission\Figure;
use Unanimus\Commission\LineEntered;
use Unanimus\Commission\Payee;
use Unanimus\Commission\Payments;
use Unanimus\Commission\PlanSheet;
use Unanimus\Commission\Proposed;
use Unanimus\Dates\LocalDate;
use Unanimus\Exchange\SheetUnreadable;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Reports\DealRow;
use Unanimus\Reports\Grouped;
use Unanimus\Reports\Period;
use Unanimus\Reports\Tally;

/** @param  array<string, string>  $agents */
function dealOf(string $file, string $day, ?int $gross, array $agents = ['a' => 'A'], array $labels = []): DealRow
{
    $company = $gross === null ? null : 10;

    return new DealRow($file, $file, 'closed', LocalDate::of($day), 'buyer', 'North', $agents, $labels, 100_000, $gross, $company);
}

it('knows the days of a period by its name', function (string $name, string $today, string $from, string $to) {
    $period = Period::named($name, LocalDate::of($today));
    expect([$period->from->iso(), $period->to->iso()])->toBe([$from, $to]);
})->with([
    ['year', '2026-11-28', '2026-01-01', '2026-12-31'],
    ['anything', '2026-11-28', '2026-01-01', '2026-12-31'],
    ['last-year', '2026-11-28', '2025-01-01', '2025-12-31'],
    ['quarter', '2026-11-28', '2026-10-01', '2026-12-31'],
    ['quarter', '2026-03-31', '2026-01-01', '2026-03-31'],
    ['last-quarter', '2026-02-28', '2025-10-01', '2025-12-31'],
    ['last-quarter', '2026-11-28', '2026-07-01', '2026-09-30'],
    ['month', '2028-02-10', '2028-02-01', '2028-02-29'],
    ['last-month', '2026-01-10', '2025-12-01', '2025-12-31'],
    ['last-month', '2026-11-10', '2026-10-01', '2026-10-31'],
]);

it('holds a period against the one before, up to the same day while it is under way', function (Period $period, string $from, string $to) {
    $before = $period->before(LocalDate::of('2026-11-28'));
    expect([$before->from->iso(), $before->to->iso()])->toBe([$from, $to]);
})->with([
    [fn () => Period::named('year', LocalDate::of('2026-11-28')), '2025-01-01', '2025-11-28'],
    [fn () => Period::named('last-year', LocalDate::of('2026-11-28')), '2024-01-01', '2024-12-31'],
    [fn () => Period::named('last-month', LocalDate::of('2026-11-28')), '2025-10-01', '2025-10-31'],
    [fn () => Period::between(LocalDate::of('2026-11-20'), LocalDate::of('2026-11-11')), '2026-11-01', '2026-11-10'],
]);

it('does not stumble over a leap day', function () {
    $before = Period::named('year', LocalDate::of('2028-02-29'))->before(LocalDate::of('2028-02-29'));
    expect($before->to->iso())->toBe('2027-02-28')->and(Period::named('year', LocalDate::of('2028-02-29'))->monthsIn())->toHaveCount(12);
});

it('sums what is known and counts apart what is not', function () {
    $tally = Tally::of([dealOf('1', '2026-11-01', 500), dealOf('2', '2026-11-02', null)]);
    expect([$tally->sides, $tally->volume, $tally->gross, $tally->company, $tally->unknown])->toBe([2, 200_000, 500, 10, 1])
        ->and(Tally::more(150, 100))->toBe(50)->and(Tally::more(50, 100))->toBe(-50)->and(Tally::more(1, 0))->toBeNull();
});

it('groups deals; one of two agents or labels stands in both groups', function () {
    $rows = [
        dealOf('1', '2026-11-01', 5, ['a' => 'A', 'b' => 'B'], ['x', 'y']),
        dealOf('2', '2026-10-02', 5, ['b' => 'B']),
        dealOf('3', '2026-11-03', 5, []),
    ];
    $counts = fn (string $by) => array_map('count', Grouped::by($by, $rows));
    expect($counts('month'))->toBe(['2026-10' => 1, '2026-11' => 2])
        ->and($counts('agent'))->toBe(['' => 1, 'a' => 1, 'b' => 2])
        ->and($counts('label'))->toBe(['' => 2, 'x' => 1, 'y' => 1])
        ->and($counts('side'))->toBe(['buyer' => 3])
        ->and($counts('office'))->toBe(['North' => 3])
        ->and(fn () => Grouped::by('weather', $rows))->toThrow(InvalidArgumentException::class);
});

it('reads an entry that is dollars or percent by what the place means', function () {
    expect(Figure::dollars('500'))->toBe('500.00')->and(Figure::dollars('2.5 %'))->toBe('2.5%')->and(Figure::dollars(' '))->toBe('')
        ->and(Figure::percent('25'))->toBe('25%')->and(Figure::percent('25%'))->toBe('25%')->and(Figure::percent('$500'))->toBe('500.00')
        ->and(fn () => Figure::percent('101'))->toThrow(AmountUnreadable::class)
        ->and(Figure::given('25%'))->toBe(['percent' => '25'])->and(Figure::given('500.00'))->toBe(['amount' => '500.00'])
        ->and(Figure::shown('500.00'))->toBe('$500')->and(Figure::shown('25%'))->toBe('25%');
});

it('reads lines, and refuses one that does not say what it is of', function () {
    $lines = LineEntered::read([
        ['kind' => 'first', 'percent' => '6', 'of' => '100,000'], ['kind' => 'balance', 'percent' => '2.5', 'of' => '9'],
        ['kind' => 'flat', 'of' => '250'], ['kind' => 'month', 'percent' => '', 'of' => ''], ['kind' => 'nonsense', 'percent' => '1'],
    ]);
    expect($lines)->toBe([
        ['kind' => 'first', 'percent' => '6', 'of' => '100000.00'], ['kind' => 'balance', 'percent' => '2.5'],
        ['kind' => 'flat', 'of' => '250.00'],
    ])->and(fn () => LineEntered::read([['kind' => 'month', 'percent' => '50']]))->toBeRefused(CommissionRefusal::LineOfNothing)
        ->and(fn () => LineEntered::read([['kind' => 'flat', 'percent' => '50']]))->toBeRefused(CommissionRefusal::LineOfNothing)
        ->and(fn () => LineEntered::read([['kind' => 'first', 'of' => '50']]))->toBeRefused(CommissionRefusal::LineWithoutPercent)
        ->and(LineEntered::given(['kind' => 'flat', 'of' => '250.00']))->toBe(['kind' => 'flat', 'label' => 'Flat', 'amount' => '250.00'])
        ->and(LineEntered::given($lines[1])['label'])->toBe('Commission');
});

it('reads fees with what they are of, their limits, and who pays', function () {
    $fee = ['label' => 'Insurance', 'amount' => '0.5%', 'base' => 'before', 'maximum' => '25', 'cap' => '500', 'counts' => '1'];
    $fee['agent'] = 'a';
    [$kept] = FeeEntered::read([$fee]);
    expect(FeeEntered::given($kept, ['a' => '480.00']))->toBe([
        'label' => 'Insurance', 'payer' => 'agent', 'payee' => 'company', 'countsToCap' => true, 'percent' => '0.5', 'base' => 'before',
        'agent' => 'a', 'maximum' => '25.00', 'yearlyCap' => '500.00', 'paid' => ['a' => '480.00'],
    ])
        ->and(FeeEntered::given(FeeEntered::read([['label' => 'Later']])[0], []))->toHaveKey('open')
        ->and(fn () => FeeEntered::read([['label' => 'X', 'amount' => '1%']]))->toBeRefused(CommissionRefusal::FeeOfNothing)
        ->and(fn () => FeeEntered::read([['label' => 'X', 'amount' => '1%', 'base' => 'after', 'payer' => 'client']]))
        ->toBeRefused(CommissionRefusal::FeeOfNoAgent)
        ->and(FeeEntered::read([['label' => '', 'amount' => '']]))->toBe([]);
});

it('names what keeps a payee from being paid, and an authorization from being withdrawn', function () {
    $ana = new Payee('Ana', 'agent', Money::of('100.00'), '');
    Payments::mayPay($ana, Money::of('100.00'), false);
    Payments::mayWithdraw(true, 'why', true, false);
    expect(fn () => Payments::mayPay($ana, Money::of('99.99'), false))->toBeRefused(CommissionRefusal::NotOwed)
        ->and(fn () => Payments::mayPay($ana, Money::of('100.00'), true))->toBeRefused(CommissionRefusal::AlreadyPaid)
        ->and(fn () => Payments::mayWithdraw(false, 'why', true, false))->toBeRefused(CommissionRefusal::OnlyBroker)
        ->and(fn () => Payments::mayWithdraw(true, ' ', true, false))->toBeRefused(CommissionRefusal::NoReason)
        ->and(fn () => Payments::mayWithdraw(true, 'why', false, false))->toBeRefused(CommissionRefusal::NotAuthorized)
        ->and(fn () => Payments::mayWithdraw(true, 'why', true, true))->toBeRefused(CommissionRefusal::SaleClosed)
        ->and(Payments::off(Money::of('5.00'), Money::of('5.00')))->toBe('')
        ->and(Payments::off(Money::of('4.00'), Money::of('5.00')))->toBe('$1 less than the sheet')
        ->and(Payments::off(Money::of('6.00'), Money::of('5.00')))->toBe('$1 more than the sheet')
        ->and(Proposed::byTerms(Money::of('283500.00'), ['2.75', null, '2.5'])?->decimal())->toBe('14883.75')
        ->and(Proposed::byTerms(Money::of('1.00'), ['', null]))->toBeNull()->and(Proposed::byTerms(null, ['3']))->toBeNull();
});

it('fills the wording of an authorization, and names what is unknown or empty', function () {
    expect(DisbursementWording::fill('Pay {gross} to {company}.', ['gross' => '$1', 'company' => 'Us']))->toBe('Pay $1 to Us.')
        ->and(fn () => DisbursementWording::fill('At {closing}', ['closing' => '']))->toBeRefused(CommissionRefusal::EmptyField)
        ->and(fn () => DisbursementWording::check('{Gross}'))->toBeRefused(CommissionRefusal::UnknownField);
});

it('writes plans as a table and reads them again as they were', function () {
    $plan = ['tiers' => [['rate' => '60', 'upTo' => '100000.00'], ['rate' => '70']], 'tiersBy' => 'company', 'cap' => '16000.00',
        'minimum' => '250.00', 'afterCap' => ['percent' => '1', 'cap' => '900.00'],
        'team' => ['lead' => 'lead@x.example', 'percent' => '10', 'base' => 'before'], 'year' => '03-01'];
    $cells = PlanSheet::write('A@x.example', 'A', '2026-01-01', $plan, ['cn' => '5.00'], 'lead@x.example');
    $csv = fopen('php://memory', 'r+');
    fputcsv($csv, array_values(PlanSheet::COLUMNS), ',', '"', '');
    fputcsv($csv, $cells, ',', '"', '');
    rewind($csv);
    [$row] = PlanSheet::read((string) stream_get_contents($csv), LocalDate::of('2026-11-28'));
    expect($row['refused'])->toBe('')->and($row['email'])->toBe('a@x.example')->and($row['plan'])->toEqual($plan)
        ->and($row['opening']['cn']->decimal())->toBe('5.00')->and($row['from']?->iso())->toBe('2026-01-01')
        ->and(fn () => PlanSheet::read("Name,Rate 1\nA,70\n", LocalDate::of('2026-11-28')))->toThrow(SheetUnreadable::class, '“Email”');
});

it('groups deals by where clients came from, whoever typed it', function () {
    $day = LocalDate::of('2026-11-10');
    $deal = fn (string $source) => new DealRow('f', 'f', 'closed', $day, 'buyer', 'North', [], [], 100, 10, 5, source: $source);
    $groups = Grouped::by('source', [$deal('Past client'), $deal(' past CLIENT'), $deal(''), $deal('Website')]);
    expect(array_map(count(...), $groups))->toBe(['' => 1, 'past client' => 2, 'website' => 1]);
});
