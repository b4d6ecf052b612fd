<?php

declare(strict_types=1);

use Tests\Support\RuledPage;
use Unanimus\Forms\Proposal;

/** As much as a page must say that a line on it is not taken for an ornament. */
const READ = [72, 91, 'Each of us has read every page of this with care and agrees to it'];

// Each of these moves or grows one thing on a page, step by step, and names every step at which another blank is proposed.
it('proposes a blank and calls it by the words around it as far as they are its own', function (
    Closure $page,
    array $steps,
    array $expected,
) {
    expect(RuledPage::whileChanging($page, ...$steps, seats: null))->toBe($expected);
})->with([
    'the label before it, nearer or farther' => [
        fn (float $x) => [READ, [400, 500, 300], [$x, 291, 'County:']],
        [60, 372, 1],
        ['60: text “Text”', '105: text “County” property.county', '368: text “Text”'],
    ],
    'the label before it, higher or lower' => [
        fn (float $y) => [READ, [200, 300, 300], [160, $y, 'County:']],
        [275, 310, 0.5],
        ['275: text “Text”', '283.5: text “County” property.county', '299: text “Text”'],
    ],
    'two words before it, apart' => [
        fn (float $x) => [READ, [300, 400, 300], [265, 291, 'price'], [$x, 291, 'purchase']],
        [150, 225, 1],
        ['150: money “price”', '209: money “purchase price” price'],
    ],
    'words before it, more and more' => [
        fn (float $n) => [
            READ, [400, 500, 300],
            [393 - 5 * strlen(str_repeat('of ', (int) $n).'county'), 291, str_repeat('of ', (int) $n).'county'],
        ],
        [0, 12, 1],
        [
            '0: text “county” property.county',
            '1: text “of county” property.county',
            '2: text “of of county” property.county',
            '3: text “of of of county” property.county',
            '4: text “of of of of county” property.county',
            '5: text “of of of of of county” property.county',
            '6: text “of of of of of of county” property.county',
        ],
    ],
    'words under a ruled line' => [
        fn (float $y) => [READ, [72, 300, 300], [72, $y, 'County']],
        [285, 325, 0.5],
        [
            '285: text “County” property.county',
            '286: text “Text”',
            '295: text “County” property.county',
            '310: text “Text”',
        ],
    ],
    'words under a short ruled line, a label before it' => [
        fn (float $w) => [READ, [200, 200 + $w, 300], [160, 291, 'Price'], [200, 303, 'County']],
        [18, 240, 1],
        ['18: money “Price”', '141: text “County” property.county'],
    ],
    'words over a line' => [
        fn (float $y) => [READ, [72, 300, 300], [72, $y, 'County']],
        [240, 305, 0.5],
        [
            '240: text “Text”',
            '265.5: text “County” property.county',
            '286: text “Text”',
            '295: text “County” property.county',
        ],
    ],
    'words over a line, further right' => [
        fn (float $x) => [READ, [172, 300, 300], [$x, 278, 'County']],
        [120, 320, 1],
        ['120: text “Text”', '141: text “County” property.county', '300: text “Text”'],
    ],
    'words after it' => [
        fn (float $x) => [READ, [200, 260, 300], [140, 291, 'Closing in'], [$x, 291, 'days after']],
        [255, 300, 0.5],
        ['255: text “Closing in”', '257.5: number “Closing in days after”', '284.5: text “Closing in”'],
    ],
    'words after it, apart' => [
        fn (float $x) => [READ, [200, 260, 300], [160, 291, 'Within'], [264, 291, 'business'], [$x, 291, 'days']],
        [300, 340, 0.5],
        ['300: number “Within business days”', '318.5: text “Within”'],
    ],
    'the next blank on its line' => [
        fn (float $x) => [READ, [120, 200, 300], [82, 291, 'County'], [$x, $x + 80, 300], [$x - 35, 291, 'State:']],
        [190, 400, 1],
        [
            '190: text “County” property.county',
            '202: text “State” property.state',
            '207: text “County” property.county, text “State” property.state',
        ],
    ],
    'the next blank on its line, lower' => [
        fn (float $y) => [READ, [120, 200, 300], [82, 291, 'County'], [300, 380, $y], [206, 291, 'in the State of']],
        [285, 320, 0.5],
        [
            '285: text “Text”, text “County” property.county',
            '292.5: text “in the State of”, text “County” property.county',
            '296.5: text “County” property.county, text “in the State of”',
            '308: text “County” property.county, text “Text”',
        ],
    ],
    'a line to sign, by its width' => [
        fn (float $w) => [READ, [160, 160 + $w, 300], [100, 291, 'Signature']],
        [18, 200, 1],
        ['18: text “Signature”', '61: signature “Signature”'],
    ],
    'a line to sign, the role under it, by its width' => [
        fn (float $w) => [READ, [160, 160 + $w, 300], [160, 303, 'Seller']],
        [18, 200, 1],
        ['18: text “Seller” sellers.names', '70: signature “Seller” seller.1'],
    ],
    'initials, by their width' => [
        fn (float $w) => [READ, [160, 160 + $w, 300], [110, 291, 'Initials']],
        [18, 200, 1],
        ['18: initials “Initials”', '151: text “Initials”'],
    ],
    'a short line after a role, by its height on the page' => [
        fn (float $y) => [READ, [160, 200, $y], [125, $y - 9, 'Buyer']],
        [660, 760, 1],
        ['660: text “Buyer” buyers.names', '706: initials “Buyer” buyer.1'],
    ],
    'a short line after a role, by its width' => [
        fn (float $w) => [READ, [160, 160 + $w, 740], [125, 731, 'Buyer']],
        [18, 140, 1],
        ['18: initials “Buyer” buyer.1', '60: text “Buyer” buyers.names', '70: signature “Buyer” buyer.1'],
    ],
    'a date beside a signature' => [
        fn (float $x) => [READ, [72, 200, 300], [72, 303, 'Seller'], [$x, $x + 60, 300], [$x, 303, 'Date']],
        [196, 420, 1],
        [
            '196: signature “Seller Date” seller.1',
            '202: signature “Seller” seller.1, date “Date” seller.1',
        ],
    ],
    'a date under a signature' => [
        fn (float $y) => [READ, [100, 240, 300], [100, 303, 'Seller'], [100, 200, $y], [70, $y - 9, 'Date']],
        [280, 350, 0.5],
        [
            '280: date “Date” seller.1, signature “Seller” seller.1',
            '289: date “Date”',
            '308: signature “Seller” seller.1',
            '311.5: signature “Seller” seller.1, date “Date” seller.1',
        ],
    ],
    'a date under a signature, further right' => [
        fn (float $x) => [READ, [100, 240, 300], [100, 303, 'Seller'], [$x, $x + 80, 325], [$x - 28, 316, 'Date']],
        [30, 320, 1],
        ['30: signature “Seller” seller.1, date “Date” seller.1'],
    ],
    'signatures of one role' => [
        fn (float $y) => [
            READ, [72, 260, 200], [72, 203, 'Buyer'], [72, 260, 240], [72, 243, 'Buyer'], [72, 260, $y],
            [72, $y + 3, 'Buyer 3'],
        ],
        [196, 300, 1],
        [
            '196: signature “Buyer 3 Buyer” buyer.3, signature “Buyer” buyer.2',
            '200: signature “Buyer Buyer 3” buyer.1, signature “Buyer” buyer.2',
            '207: signature “Buyer” buyer.1, signature “Buyer” buyer.2',
            '212: signature “Buyer” buyer.1, signature “Buyer 3” buyer.3, signature “Buyer” buyer.3',
            '229: signature “Buyer” buyer.1, signature “Buyer 3” buyer.3',
            '234: signature “Buyer” buyer.1, signature “Buyer 3 Buyer” buyer.3',
            '239: signature “Buyer” buyer.1, signature “Buyer Buyer 3” buyer.2',
            '247: signature “Buyer” buyer.1, signature “Buyer” buyer.2',
            '252: signature “Buyer” buyer.1, signature “Buyer” buyer.2, signature “Buyer 3” buyer.3',
        ],
    ],
    'a dollar sign before it' => [
        fn (float $x) => [READ, [200, 300, 300], [$x, 291, '$'], [120, 291, 'County']],
        [150, 202, 1],
        ['150: money “County”', '198: text “County” property.county'],
    ],
    'a tick and its words' => [
        fn (float $x) => [READ, [100, 291, '☐'], [$x, 291, 'septic system']],
        [104, 150, 1],
        ['104: tick “septic system”', '130: tick “Tick”'],
    ],
    'a tick with words before it' => [
        fn (float $x) => [READ, [200, 291, '☐'], [$x, 291, 'septic']],
        [120, 172, 1],
        ['120: tick “Tick”', '124: tick “septic”'],
    ],
    'a table of terms' => [
        fn (float $w) => [
            READ, [72, 200, 172, 230], [172, 200, 172 + $w, 230], [172 + $w, 200, 500, 230], [76, 210, 'County'],
            [180, 185, 'Seller'], [176 + $w, 185, 'Buyer'],
        ],
        [40, 250, 5],
        ['40: text “Seller” sellers.names, text “Buyer” buyers.names'],
    ],
    'a table, its headings higher' => [
        fn (float $y) => [READ, [72, 500, 172, 530], [172, 500, 372, 530], [76, 510, 'County'], [250, $y, 'Price']],
        [150, 510, 2],
        ['150: text “Text”', '192: text “Price”', '496: money “Price”', '508:'],
    ],
    'a table, its heading beside the middle' => [
        fn (float $x) => [READ, [72, 500, 172, 530], [172, 500, 372, 530], [76, 510, 'County'], [$x, 485, 'Price']],
        [140, 390, 2],
        ['140: text “Text”', '148: text “Price”', '372: text “Text”'],
    ],
    'a box, by its height' => [
        fn (float $h) => [READ, [72, 300, 400, 300 + $h], [72, 286, 'Further terms']],
        [10, 60, 1],
        ['10: text “Further terms”', '38: lines “Further terms”'],
    ],
]);

it('tells from the words before and after a line what is entered on it', function (string $before, string $after, string $blank) {
    $at = 295 - 5 * mb_strlen($before);
    expect(RuledPage::blanks(RuledPage::of([READ, [300, 400, 300], [$at, 291, $before], [403, 291, $after]])))->toBe($blank);
})->with([
    ['Rate of interest', 'percent', 'percent “Rate of interest”'],
    ['Interest', '% a year', 'percent “Interest”'],
    ['Interest', 'per cent', 'percent “Interest”'],
    ['At', 'o’clock', 'time “At”'],
    ['At', 'a.m.', 'time “At”'],
    ['At', 'pm sharp', 'time “At”'],
    ['Closing time', '', 'time “Closing time”'],
    ['Time of day', '', 'time “Time of day”'],
    ['At the hour', '', 'time “At the hour”'],
    ['Date', '', 'date “Date”'],
    ['Dated', '', 'date “Dated” offer_date'],
    ['on or before', '', 'date “on or before”'],
    ['this day of', '', 'date “this day of”'],
    ['Date in', 'days', 'number “Date in days”'],
    ['within', 'business days', 'number “within business days”'],
    ['within', 'calendar days', 'number “within calendar days”'],
    ['for', 'years', 'number “for years”'],
    ['for', 'months', 'number “for months”'],
    ['for', 'hours', 'number “for hours”'],
    ['holds', 'acres', 'number “holds acres”'],
    ['holds', 'square feet', 'number “holds square feet”'],
    ['holds', 'sq ft', 'number “holds sq ft”'],
    ['within', 'miles', 'number “within miles”'],
    ['number of rooms', '', 'number “number of rooms”'],
    ['how many', '', 'number “how many”'],
    ['year built', '', 'number “year built” property.year_built'],
    ['square feet', '', 'number “square feet”'],
    ['age', '', 'number “age”'],
    ['the acres', '', 'number “the acres”'],
    ['the price', '', 'money “the price”'],
    ['the amount', '', 'money “the amount”'],
    ['the deposit', '', 'money “the deposit”'],
    ['the rent', '', 'money “the rent”'],
    ['the fee', '', 'money “the fee”'],
    ['the payment', '', 'money “the payment”'],
    ['the price in words', '', 'text “the price in words”'],
    ['Paid. County', '', 'text “County” property.county'],
    ['Paid; county', '', 'text “county” property.county'],
    ['Paid, county', '', 'text “Paid, county” property.county'],
]);

it('tells from words alone what is asked for, and which fact that is', function (string $words, string $kind, ?string $binding) {
    $guess = Proposal::guess($words);
    expect([$guess['kind']->value, $guess['binding']])->toBe([$kind, $binding]);
})->with([
    ['Listing no.', 'text', 'listing.number'],
    ['Listing number', 'text', 'listing.number'],
    ['listing #', 'text', null],
    ['Purchase price', 'money', 'price'],
    ['Sales price', 'money', 'price'],
    ['sale price', 'money', 'price'],
    ['Agreed price', 'money', 'price'],
    ['List price', 'money', 'list_price'],
    ['Listing price', 'money', 'list_price'],
    ['Asking price', 'money', 'list_price'],
    ['Earnest money', 'money', 'earnest_money'],
    ['Good faith deposit', 'money', 'earnest_money'],
    ['Loan amount', 'money', 'loan_amount'],
    ['Amount of the loan', 'money', 'loan_amount'],
    ['Amount financed', 'money', 'loan_amount'],
    ['Down payment', 'money', 'down_payment'],
    ['Seller’s credit', 'text', 'concessions'],
    ['Sellers concession', 'text', 'concessions'],
    ['Concession', 'text', 'concessions'],
    ['Closing date', 'date', 'closing'],
    ['Date of closing', 'date', 'closing'],
    ['Closing shall be on', 'text', 'closing'],
    ['Close of escrow', 'text', 'closing'],
    ['Settlement date', 'date', 'closing'],
    ['Possession', 'text', 'possession'],
    ['Possession date', 'date', 'possession'],
    ['Acceptance date', 'date', 'acceptance'],
    ['Date of acceptance', 'date', 'acceptance'],
    ['Effective date', 'date', 'acceptance'],
    ['Offer date', 'date', 'offer_date'],
    ['Date of the offer', 'date', 'offer_date'],
    ['Dated', 'date', 'offer_date'],
    ['Offer expires', 'text', 'offer_expiry'],
    ['Expiration', 'text', 'offer_expiry'],
    ['Escrow holder', 'text', 'escrow_holder'],
    ['Escrow agent', 'text', 'escrow_holder'],
    ['Title company', 'text', 'escrow_holder'],
    ['Lender', 'text', 'lender'],
    ['Name of lender', 'text', 'lender'],
    ['Property address', 'text', 'property.address'],
    ['Address of the property', 'text', 'property.address'],
    ['Real property located at', 'text', 'property.address'],
    ['Street address', 'text', 'property.address'],
    ['For the property', 'text', 'property.address'],
    ['Premises', 'text', 'property.address'],
    ['Parcel', 'text', 'property.parcel'],
    ['Tax ID', 'text', 'property.parcel'],
    ['Assessor’s number', 'text', 'property.parcel'],
    ['Legal description', 'text', 'property.legal'],
    ['County', 'text', 'property.county'],
    ['City', 'text', 'property.city'],
    ['Town', 'text', 'property.city'],
    ['ZIP', 'text', 'property.zip'],
    ['Postal code', 'text', 'property.zip'],
    ['State', 'text', 'property.state'],
    ['Lot', 'text', 'property.lot'],
    ['Block', 'text', 'property.block'],
    ['Subdivision', 'text', 'property.subdivision'],
    ['Year built', 'number', 'property.year_built'],
    ['Built in', 'text', 'property.year_built'],
    ['Flood zone', 'text', 'property.flood_zone'],
    ['Monthly rent', 'money', 'rent'],
    ['Rent', 'money', 'rent'],
    ['Security deposit', 'money', 'deposit'],
    ['Listing agent', 'text', 'coagent.1.name'],
    ['Seller’s broker', 'text', 'coagent.1.name'],
    ['Buyer’s agent', 'text', 'agent.1.name'],
    ['Selling agent', 'text', 'agent.1.name'],
    ['Agent name', 'text', 'agent.1.name'],
    ['Brokerage', 'text', 'brokerage.name'],
    ['Firm', 'text', 'brokerage.name'],
    ['Company name', 'text', 'brokerage.name'],
    ['Buyer 2', 'text', 'buyer.2.name'],
    ['Second buyer', 'text', 'buyer.2.name'],
    ['Co-buyer', 'text', 'buyer.2.name'],
    ['Buyer 1', 'text', 'buyer.1.name'],
    ['Buyer', 'text', 'buyers.names'],
    ['Buyers names', 'text', 'buyers.names'],
    ['Buyer(s)', 'text', 'buyers.names'],
    ['Names of buyers', 'text', 'buyers.names'],
    ['Buyer’s legal name', 'text', 'buyers.names'],
    ['By and between', 'text', 'buyers.names'],
    ['Seller 2', 'text', 'seller.2.name'],
    ['Co-seller', 'text', 'seller.2.name'],
    ['Seller 1', 'text', 'seller.1.name'],
    ['Sellers', 'text', 'sellers.names'],
    ['And seller', 'text', 'sellers.names'],
    ['Names of sellers', 'text', 'sellers.names'],
    ['Days after acceptance', 'text', null],
    ['Percent of price', 'percent', null],
    ['Price due how', 'text', null],
    ['Rate', 'percent', null],
    ['Interest %', 'percent', null],
    ['Time', 'time', null],
    ['Closing time', 'time', null],
    ['Number of keys', 'number', null],
    ['How many', 'number', null],
    ['Square feet', 'number', null],
    ['Acres', 'number', null],
    ['Inspection days', 'number', null],
    ['Amount in words', 'text', null],
    ['Application fee', 'money', null],
    ['The day of', 'date', null],
    ['Something else', 'text', null],
    ['Price', 'money', null],
    ['State of the roof', 'text', null],
]);

/** @return array<string, array{list<string>, list<string>}> rows of a page and the blanks they have, by what they try */
function plainBlanks(): array
{
    $blocks = [];
    foreach (explode("\n\n", trim((string) file_get_contents(__DIR__.'/plain-blanks.txt'))) as $block) {
        $rows = explode("\n", $block);
        $name = substr((string) array_shift($rows), 2);
        $blanks = array_filter($rows, fn (string $row) => str_starts_with($row, '> '));
        $blocks[$name] = [
            array_values(array_diff_key($rows, $blanks)),
            array_map(fn (string $row) => substr($row, 2), array_values($blanks)),
        ];
    }

    return $blocks;
}

it('binds the blanks of labels and of sentences', function (array $rows, array $expected) {
    expect(RuledPage::blanks(RuledPage::typed($rows, 200.0)))->toBe(implode(', ', $expected));
})->with(plainBlanks());
