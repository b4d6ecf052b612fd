<?php

declare(strict_types=1);

use Unanimus\Dates\LocalDate;
use Unanimus\Finding\Query;
use Unanimus\Money\Money;
use Unanimus\Terms\Address;
use Unanimus\Terms\Derived;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\Facts;
use Unanimus\Terms\NetSheet;
use Unanimus\Terms\OfferView;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\Term;

it('computes a loan from a percentage or takes it as an amount, with the formula', function (array $terms, array $expected) {
    $facts = Derived::from(Facts::from($terms));
    foreach ($expected as $name => $value) {
        expect($facts->value($name))->toBe($value, $name);
    }
})->with([
    'percent' => [
        ['price' => '412500.00', 'loan_percent' => '96.5', 'financing' => 'government', 'earnest_money' => '8000.00'],
        ['loan_amount' => '398062.50', 'down_payment' => '14437.50', 'balance' => '6437.50'],
    ],
    'amount' => [
        ['price' => '300000.00', 'loan_given' => '240000.00', 'loan_percent' => '75'],
        ['loan_amount' => '240000.00', 'down_payment' => '60000.00'],
    ],
    'cash' => [
        ['price' => '300000.00', 'financing' => 'cash', 'loan_percent' => '80', 'earnest_money' => '5000.00'],
        ['loan_amount' => null, 'balance' => '295000.00'],
    ],
    'cash at closing' => [
        [
            'price' => '412500.00',
            'loan_percent' => '96.5',
            'earnest_money' => '8000.00',
            'buyer_costs' => '9100.50',
            'concessions' => '5000.00',
        ],
        ['cash_at_closing' => '10538.00'],
    ],
    'per area' => [['price' => '412500.00', 'property.area' => '1870'], ['price_per_area' => '220.59']],
    'no price' => [['loan_percent' => '80'], ['loan_amount' => null]],
]);

it('tells contradictions and blocks none', function (array $terms, array $told) {
    expect(Derived::contradictions(Derived::from(Facts::from($terms)), LocalDate::of('2026-11-23')))->toBe($told);
})->with([
    [[], []],
    [['acceptance' => '2026-12-01', 'closing' => '2026-11-30'], ['Closing is before acceptance.']],
    [['offer_expiry' => '2026-11-20'], ['The offer has expired: Fri, Nov 20 is past.']],
    [['offer_expiry' => '2026-11-20', 'acceptance' => '2026-11-19'], []],
    [['offer_expiry' => '2026-11-20', 'acceptance' => '2026-11-21'], ['It was accepted after the offer had expired.']],
    [['price' => '100000.00', 'loan_given' => '110000.00'], ['The loan is more than the price.']],
    [
        ['price' => '100000.00', 'loan_given' => '80000.00', 'loan_percent' => '79'],
        ['The loan is entered as an amount and as a percentage, and they differ. The amount counts.'],
    ],
    [['financing' => 'cash', 'loan_percent' => '80'], ['It is a cash purchase, but a loan is entered too.']],
    [['listed_on' => '2026-12-01', 'listing_expires' => '2026-11-30'], ['The listing expires before it begins.']],
]);

it('works out what a sale leaves, line by line', function () {
    $sheet = NetSheet::of(
        Facts::from([
            'price' => '538000.00',
            'concessions' => '4000.00',
            'listing_commission' => '2.75',
            'buyer_commission' => '2.5',
            'transfer_tax' => '0.1',
            'title_costs' => '1850.00',
            'annual_tax' => '6240.00',
            'closing' => '2026-12-18',
            'tax_paid_through' => '2025-12-31',
            'closing_day' => 'buyers',
            'payoff' => '211340.18',
            'warranty' => '550.00',
        ]),
    );
    expect(array_map(static fn (array $line) => [$line['label'], $line['amount']->decimal()], $sheet->lines))
        ->toBe([
            ['Concessions', '4000.00'],
            ['Commission, listing side', '14795.00'],
            ['Commission, buyer side', '13450.00'],
            ['Transfer tax', '538.00'],
            ['Title and settlement', '1850.00'],
            // 1 January to 17 December: 351 of 365 days.
            ['Property tax to closing', '6000.66'],
            ['Home warranty', '550.00'],
            ['Payoff of first loan', '211340.18'],
        ])
        ->and($sheet->net->decimal())
        ->toBe('285476.16')
        ->and($sheet->open)
        ->toBe([])
        ->and($sheet->lines[5]['formula'])
        ->toContain('351 of 365 days');
});

it('ties every net sheet out to the cent', function () {
    mt_srand(8);
    for ($i = 0; $i < 200; $i++) {
        $given = [
            'price' => mt_rand(50000, 900000).'.'.sprintf('%02d', mt_rand(0, 99)),
            'closing' => sprintf('20%02d-%02d-11', mt_rand(24, 30), mt_rand(1, 12)),
        ];
        foreach (NetSheet::TERMS as $term) {
            mt_rand(0, 1) &&
                ! isset($given[$term->value]) &&
                ($given[$term->value] =
                    $term === \Unanimus\Terms\Term::ClosingDay
                        ? ['buyers', 'sellers'][mt_rand(0, 1)]
                        : ($term->kind() === \Unanimus\Terms\Kind::Date
                            ? sprintf('20%02d-%02d-28', mt_rand(24, 30), mt_rand(1, 12))
                            : ($term->kind() === \Unanimus\Terms\Kind::Percent
                                ? (string) (mt_rand(1, 600) / 100)
                                : mt_rand(0, 40000).'.'.sprintf('%02d', mt_rand(0, 99)))));
        }
        $sheet = NetSheet::of(Facts::from($given));
        $sum = array_reduce($sheet->lines, static fn (Money $all, array $line) => $all->plus($line['amount']), $sheet->net);
        expect($sum->decimal())->toBe($sheet->price->decimal());
    }
});

it('says what a net sheet counts as nothing, and is none without a price', function () {
    expect(NetSheet::of(Facts::from([])))
        ->toBeNull()
        ->and(
            NetSheet::of(
                Facts::from([
                    'price' => '1000.00',
                    'annual_tax' => '100.00',
                    'payoff' => '1.00',
                    'title_costs' => '1.00',
                    'transfer_tax' => '1',
                    'listing_commission' => '1',
                ]),
            )->open,
        )
        ->toBe([
            'Commission, buyer side',
            'Closing, for the tax',
            'Property tax paid through, for the tax',
            'Tax of the closing day, for the tax',
        ]);
});

it('shares money out by days, half a cent upward', function () {
    expect(Money::of('100.00')->parts(1, 3)->decimal())
        ->toBe('33.33')
        ->and(Money::of('0.01')->parts(1, 2)->decimal())
        ->toBe('0.01')
        ->and(fn () => Money::zero()->parts(1, 0))
        ->toThrow(InvalidArgumentException::class);
});

it('sees two spellings of one place as one', function (string $one, string $other) {
    expect(Address::parse($one)->key())->toBe(Address::parse($other)->key());
})->with([
    ['14 Lanternfish Lane, Tidewick, MW 20417', '14 lanternfish ln., Tidewick MW 20417'],
    ['77 Millrace Court, Apt 3B, Pellingford, MW 20410', '77 Millrace Ct #3b, Pellingford, MW 20410-1123'],
    ['77 Millrace Court 3B, Pellingford, MW 20410', '77 MILLRACE CT UNIT 3-B, PELLINGFORD, MW 20410'],
    ['402 North Upper Quoin Road, Upper Quoin, MW 20433', '402 N. Upper Quoin Rd, Upper Quoin, MW 20433'],
    ['9 Ridge Avenue Northwest, Tidewick, MW 20417', '9 Ridge Ave NW, Tidewick, MW 20417'],
    ["5 Ferryman's Walk, Tidewick, MW 20417", '5 Ferrymans Walk, Tidewick, MW 20417'],
]);

it('keeps different places apart', function (string $one, string $other) {
    expect(Address::parse($one)->key())->not->toBe(Address::parse($other)->key());
})->with([
    ['14 Lanternfish Lane, Tidewick, MW 20417', '15 Lanternfish Lane, Tidewick, MW 20417'],
    ['77 Millrace Court 3B', '77 Millrace Court 3C'],
    ['1 North Street', '1 South Street'],
    ['9 Ridge Ave NW', '9 Ridge Ave SW'],
    ['14 Court Lane', '14 Court Street'],
    ['14 Elm St, A, MW 20417', '14 Elm St, B, MW 20433'],
]);

it('takes an address in one line apart', function (string $typed, array $parts) {
    $address = Address::parse($typed);
    expect([$address->street, $address->unit, $address->city, $address->state, $address->zip])->toBe($parts);
})->with([
    ['14 Lanternfish Lane, Tidewick, MW 20417', ['14 Lanternfish Lane', '', 'Tidewick', 'MW', '20417']],
    ['77 Millrace Court, Apt 3B, Pellingford, MW 20410-0012', ['77 Millrace Court', 'Apt 3B', 'Pellingford', 'MW', '20410-0012']],
    ['77 Millrace Court 3B, Pellingford', ['77 Millrace Court', '3B', 'Pellingford', '', '']],
    ['9 Netloft Lane', ['9 Netloft Lane', '', '', '', '']],
    ['12 Highway 50', ['12 Highway 50', '', '', '', '']],
    ['31 Quarryside #4, Saltreach MW 20451', ['31 Quarryside', '#4', 'Saltreach', 'MW', '20451']],
]);

it('writes a street the usual way', fn (string $typed, string $written) => expect(Address::of($typed)->street())->toBe($written))->with([
    ['14 lanternfish lane', '14 Lanternfish Lane'],
    ['14 N. LANTERNFISH LN', '14 N Lanternfish LN'],
    ['9 McAllister Row', '9 McAllister Row'],
]);

it('finds fragments, fields and what is left out in what is typed', function (string $typed, array $words, array $fields) {
    $query = Query::parse($typed);
    expect($query->words)
        ->toBe($words)
        ->and(array_map(static fn (array $one) => ($one['not'] ? '-' : '').$one['field'].':'.$one['value'], $query->fields))
        ->toBe($fields);
})->with([
    ['lantern eide', ['lantern', 'eide'], []],
    ['Nguyễn-Ortiz', ['nguyen', 'ortiz'], []],
    ['status:active agent:"Priya Anand" mill', ['mill'], ['status:active', 'agent:priya anand']],
    ['-label:probate closes:2026-12', [], ['-label:probate', 'closes:2026-12']],
    ['closes:<2026-12-18', [], ['closes:<2026-12-18']],
    ['"millrace court"', ['millrace court'], []],
    ['TR-26-04182', ['tr', '26', '04182'], []],
    ['10:30', ['10', '30'], []],
    ['', [], []],
    ["'; drop", ['drop'], []],
    ['colour:red', ['colour', 'red'], []],
]);

it(
    'tells a field it cannot read',
    fn (string $typed, string $told) => expect(Query::parse($typed)->faults[0] ?? '')->toContain($told),
)->with([['status:sleeping', 'It may be preparing'], ['closes:soon', 'not known'], ['needs:love', 'signature']]);

it('completes fields and their values', function () {
    expect(array_column(Query::completions('lan st'), 'text'))
        ->toBe(['lan status:'])
        ->and(array_column(Query::completions('status:a'), 'text'))
        ->toContain('status:active ')
        ->and(array_column(Query::completions('x agent:pri', ['agent' => ['Priya Anand', 'Caleb Nakagawa']]), 'text'))
        ->toBe(['x agent:"Priya Anand" ']);
});

it('reads when a file closes', function (string $value, ?string $from, ?string $to) {
    $span = Query::span($value, LocalDate::of('2026-11-25'));
    expect([$span[0]?->iso(), $span[1]?->iso()])->toBe([$from, $to]);
})->with([
    ['today', '2026-11-25', '2026-11-25'],
    ['week', '2026-11-23', '2026-11-29'],
    ['next-week', '2026-11-30', '2026-12-06'],
    ['month', '2026-11-01', '2026-11-30'],
    ['late', null, '2026-11-24'],
    ['2026-12', '2026-12-01', '2026-12-31'],
    ['2026-12-05..2026-12-09', '2026-12-05', '2026-12-09'],
    ['>2026-12-05', '2026-12-06', null],
    ['<2026-12-05', null, '2026-12-04'],
]);

it('names each term and fact, each with what it holds', function () {
    foreach ([...Term::cases(), ...PropertyFact::cases()] as $item) {
        expect($item->label())
            ->not->toBe('')
            ->and($item->choices() === null || $item->kind() === \Unanimus\Terms\Kind::Text)
            ->toBeTrue($item->value);
    }
});

it('works from the list price while there is no contract price, and says so', function () {
    $sheet = NetSheet::of(Facts::from(['list_price' => '400000.00', 'payoff' => '100000.00']));
    expect($sheet->net->decimal())
        ->toBe('300000.00')
        ->and($sheet->asListed)
        ->toBeTrue()
        ->and(NetSheet::of(Facts::from(['list_price' => '400000.00', 'price' => '390000.00']))->asListed)
        ->toBeFalse();
});

it('lays an offer beside others by its own terms and the listing\'s, not by what an earlier deal left', function () {
    $file = Facts::from([
        'payoff' => '211340.18',
        'listing_commission' => '2.75',
        'price' => '1.00',
        'concessions' => '99999.00',
        'closing' => '2020-01-01',
    ]);
    $view = OfferView::of(
        Facts::from([
            'price' => '541000.00',
            'financing' => 'conventional',
            'loan_percent' => '80',
            'earnest_money' => '10820.00',
            'loan_days' => '35',
            'inspection_days' => '10',
            'sale_of_home' => 'yes',
            'closing' => '2026-12-18',
        ]),
        $file,
        LocalDate::of('2026-11-23'),
    );
    expect($view->net?->net->decimal())
        ->toBe('314782.32')
        ->and($view->down?->decimal())
        ->toBe('108200.00')
        ->and($view->daysToClosing)
        ->toBe(25)
        ->and($view->contingencies)
        ->toBe([['label' => 'Inspection', 'days' => 10], ['label' => 'Loan', 'days' => 35]])
        ->and($view->strength)
        ->toBe(['20% down', 'depends on the sale of their home', 'earnest money of 2% or more', 'not recorded: appraisal']);
});

it('reads a cash offer, and one that says next to nothing', function () {
    $cash = OfferView::of(Facts::from(['price' => '529500.00', 'financing' => 'cash']), Facts::from([]), LocalDate::of('2026-11-23'));
    $bare = OfferView::of(Facts::from([]), Facts::from(['price' => '1.00']), LocalDate::of('2026-11-23'));
    expect($cash->down?->decimal())
        ->toBe('529500.00')
        ->and($cash->strength[0])
        ->toBe('cash, no lender to wait for')
        ->and($cash->daysToClosing)
        ->toBeNull()
        ->and($bare->net)
        ->toBeNull()
        ->and($bare->down)
        ->toBeNull()
        ->and($bare->contingencies)
        ->toBe([])
        ->and($cash->strength[1])
        ->toBe('not recorded: inspection, appraisal')
        ->and(OfferView::of(Facts::from(['inspection_days' => '0']), Facts::from([]), LocalDate::of('2026-11-23'))->strength[0])
        ->toBe('no inspection contingency');
});

it('charges the sellers the days that are theirs, year by year, and gives back what is paid ahead', function (
    string $closing,
    string $paid,
    string $owner,
    string $amount,
    string $told,
) {
    $sheet = NetSheet::of(
        Facts::from([
            'price' => '100000.00',
            'annual_tax' => '3660.00',
            'closing' => $closing,
            'tax_paid_through' => $paid,
            'closing_day' => $owner,
        ]),
    );
    expect($sheet->lines[0]['amount']->decimal())
        ->toBe($amount)
        ->and($sheet->lines[0]['formula'])
        ->toContain($told)
        ->and($sheet->net->plus($sheet->lines[0]['amount'])->decimal())
        ->toBe('100000.00');
})->with([
    'in arrears' => ['2027-01-11', '2025-12-31', 'buyers', '3760.27', '365 of 365 days'],
    'the closing day is theirs' => ['2027-01-11', '2025-12-31', 'sellers', '3770.30', 'closing day is the sellers'],
    'a leap year' => ['2028-03-01', '2027-12-31', 'buyers', '600.00', '60 of 366 days'],
    'paid ahead' => ['2026-12-22', '2026-12-31', 'buyers', '-100.27', '10 of 365 days'],
    'paid to the day' => ['2027-01-01', '2026-12-31', 'buyers', '0.00', 'paid through'],
]);

it('warns when compared offers close in different years', function () {
    $years = [Facts::from(['closing' => '2026-12-18']), Facts::from(['closing' => '2027-01-05'])];
    $tax = Facts::from(['annual_tax' => '3660.00', 'tax_paid_through' => '2026-12-31', 'closing_day' => 'buyers']);
    expect(OfferView::warning($years, $tax))
        ->toContain('2026 and 2027')
        ->toContain('Each includes property tax')
        ->and(OfferView::warning($years, Facts::from(['annual_tax' => '3660.00'])))
        ->toContain('is not counted yet')
        ->and(OfferView::warning([Facts::from(['closing' => '2026-12-18']), Facts::from([])], $tax))
        ->toBeNull();
});

it('refuses amounts below zero and days that are no whole number', function (Term $term, string $typed, string $told) {
    expect(static fn () => $term->check($term->kind()->parse($typed, LocalDate::of('2026-11-27')), $typed))->toThrow(
        EntryUnreadable::class,
        $told,
    );
})->with([
    [Term::Price, '-450,000', 'below zero'],
    [Term::Price, '(450,000)', 'below zero'],
    [Term::InspectionDays, '10.5', 'whole number'],
    [Term::InspectionDays, '-3', 'whole number'],
    [Term::LoanDays, '99999', 'whole number'],
]);
