<?php

declare(strict_types=1);

use Unanimus\Terms\Address;

it('takes addresses apart as they are typed', function (string $typed, string $street, string $unit = '', string $city = '', string $state = '', string $zip = '') {
    $address = Address::parse($typed);
    expect([$address->street, $address->unit, $address->city, $address->state, $address->zip])->toBe([$street, $unit, $city, $state, $zip]);
})->with([
    ['14 Oak Ln', '14 Oak Ln'], ['14 Oak Ln, Tidewick, MW 20417', '14 Oak Ln', '', 'Tidewick', 'MW', '20417'], ['14 Oak Ln, Tidewick, MW 20417-0012', '14 Oak Ln', '', 'Tidewick', 'MW', '20417-0012'],
    ['14 Oak Ln, Tidewick MW', '14 Oak Ln', '', 'Tidewick', 'MW'], ['14 Oak Ln, Tidewick MW 20417', '14 Oak Ln', '', 'Tidewick', 'MW', '20417'], ['14 Oak Ln Tidewick', '14 Oak Ln Tidewick'],
    ["14 Oak Ln\nTidewick, MW 20417", '14 Oak Ln', '', 'Tidewick', 'MW', '20417'], ["14 Oak Ln\r\nTidewick MW 20417", '14 Oak Ln', '', 'Tidewick', 'MW', '20417'], ["14 Oak Ln\nApt 3\nTidewick, MW 20417", '14 Oak Ln', 'Apt 3', 'Tidewick', 'MW', '20417'],
    ['14 Oak Ln, Tidewick, MW 20417, USA', '14 Oak Ln', '', 'Tidewick', 'MW', '20417'], ['14 Oak Ln, Tidewick, MW 20417, United States', '14 Oak Ln', '', 'Tidewick', 'MW', '20417'], ['14 Oak Ln, Tidewick, MW 20417 US', '14 Oak Ln', '', 'Tidewick', 'MW', '20417'],
    ['14 Oak Ln, Tidewick, MW 20417, U.S.A.', '14 Oak Ln', '', 'Tidewick', 'MW', '20417'], ['14 Oak Ln, Upper Quoin, MW', '14 Oak Ln', '', 'Upper Quoin', 'MW'], ['14 Oak Ln, Tidewick, mw', '14 Oak Ln', '', 'Tidewick', 'MW'],
    ['1200 County Rd 12', '1200 County Rd 12'], ['1200 County Road 12, Tidewick, MW', '1200 County Road 12', '', 'Tidewick', 'MW'], ['88 Ranch Rd 620', '88 Ranch Rd 620'], ['500 Avenue 416', '500 Avenue 416'], ['9 Trail 20', '9 Trail 20'],
    ['77 State Highway 9', '77 State Highway 9'], ['77 US Hwy 9', '77 US Hwy 9'], ['77 Hwy 12', '77 Hwy 12'], ['12 FM 1960', '12 FM 1960'], ['12 Farm to Market Road 1960', '12 Farm to Market Road 1960'], ['4 Old County Road 7', '4 Old County Road 7'],
    ['1200 County Rd 12 Apt 3', '1200 County Rd 12', 'Apt 3'], ['1200 County Rd 12, Unit 4', '1200 County Rd 12', 'Unit 4'], ['30 Route 6', '30 Route 6'], ['30 Rte 6A', '30 Rte 6A'], ['1 Street 9', '1 Street 9'], ['1 Smith Road 5', '1 Smith Road 5'],
    ['77 Millrace Court 3B', '77 Millrace Court', '3B'], ['77 Millrace Ct. 3B', '77 Millrace Ct.', '3B'], ['77 Millrace Court #3B', '77 Millrace Court', '#3B'], ['77 Millrace Court # 3B', '77 Millrace Court', '# 3B'], ['77 Millrace Court Apt 3B', '77 Millrace Court', 'Apt 3B'],
    ['77 Millrace Court Apt. 3B', '77 Millrace Court', 'Apt. 3B'], ['77 Millrace Court, Apt 3B, Pellingford, MW', '77 Millrace Court', 'Apt 3B', 'Pellingford', 'MW'], ['77 Millrace Court Unit 3-B', '77 Millrace Court', 'Unit 3-B'], ['77 Millrace Court Ste 200', '77 Millrace Court', 'Ste 200'],
    ['Unit 3B, 77 Millrace Court', '77 Millrace Court', 'Unit 3B'], ['Apt 4 12 Oak St', '12 Oak St', 'Apt 4'], ['#4, 12 Oak St, Tidewick, MW', '12 Oak St', '#4', 'Tidewick', 'MW'], ['14 Oak Ln Bldg 2 Apt 5', '14 Oak Ln', 'Bldg 2 Apt 5'], ['14 Oak Ln, Bldg 2, Apt 5, Tidewick', '14 Oak Ln', 'Bldg 2 Apt 5', 'Tidewick'],
    ['14 Oak Ln Bldg 2 #5', '14 Oak Ln', 'Bldg 2 #5'], ['14 Oak Ln PH', '14 Oak Ln', 'PH'], ['14 Oak Ln, Penthouse, Tidewick', '14 Oak Ln', 'Penthouse', 'Tidewick'], ['14 Oak Ln PH 2', '14 Oak Ln', 'PH 2'], ['14 Oak Ln Rear', '14 Oak Ln', 'Rear'], ['14 Oak Ln, Upper', '14 Oak Ln', 'Upper'],
    ['14 Oak Ln Lot 5', '14 Oak Ln', 'Lot 5'], ['Lot 5, 14 Oak Ln', '14 Oak Ln', 'Lot 5'], ['14 Oak Ln Spc 12', '14 Oak Ln', 'Spc 12'], ['14 Oak Ln 2nd Floor', '14 Oak Ln', '2nd Floor'], ['14 Oak Ln, 2nd Floor', '14 Oak Ln', '2nd Floor'], ['14 Oak Ln, Basement', '14 Oak Ln', 'Basement'],
    ['Oak Ln, Tidewick MW', 'Oak Ln', '', 'Tidewick', 'MW'], ['Oak Ln', 'Oak Ln'], ['', ''], ['20417', '20417'], ['14 Upper Mill Road', '14 Upper Mill Road'], ['14 Rear Admiral Way', '14 Rear Admiral Way'], ['14½ Oak Ln', '14½ Oak Ln'], ['14 1/2 Oak Ln', '14 1/2 Oak Ln'], ['14-B Oak Ln', '14-B Oak Ln'],
    ['14 N. Oak Ln., Tidewick', '14 N. Oak Ln.', '', 'Tidewick'], ['14 Avenue of the Pines', '14 Avenue of the Pines'], ['14 Avenue of the Pines 7', '14 Avenue of the Pines 7'], ['14 Broadway', '14 Broadway'], ['14 Broadway Apt 2', '14 Broadway', 'Apt 2'],
]);

it('knows two spellings of one place', function (string $one, string $other) {
    expect(Address::parse($one)->key())->toBe(Address::parse($other)->key())->not->toBe('');
})->with([
    ['14 Oak Lane', '14 oak ln'], ['14 Oak Lane', '14 OAK LN.'], ['77 Highway 12', '77 Hwy 12'], ['77 State Highway 12', '77 State Hwy 12'], ['77 US Highway 12', '77 us hwy 12'], ['9 Saint James Court', '9 St James Ct'], ['9 St. James Court', '9 Saint James Ct'], ['9 First Street', '9 1st St'], ['9 Twelfth Avenue', '9 12th Ave'],
    ['9 NW Mill Road', '9 N.W. Mill Rd'], ['9 NW Mill Road', '9 Northwest Mill Rd'], ['9 North Mill Road', '9 N Mill Rd'], ['9 N. Mill Road', '9 n mill rd'], ['9 4th Avenue North', '9 4th Ave N'], ['9 Fourth Ave. N.', '9 4th Avenue North'], ['14½ Oak Ln', '14 1/2 Oak Lane'], ['1200 County Road 12', '1200 County Rd 12'], ['1200 CR 12', '1200 County Rd 12'],
    ['77 Millrace Court 3B', '77 Millrace Ct Apt 3B'], ['77 Millrace Court #3B', '77 Millrace Ct Unit 3-B'], ['77 Millrace Court, Suite 200', '77 Millrace Ct Ste 200'], ['14 Oak Ln PH', '14 Oak Ln, Penthouse'], ['14 Oak Ln Bldg 2 Apt 5', '14 Oak Ln, Building 2, #5'], ['Unit 3B, 77 Millrace Court', '77 Millrace Court Unit 3B'], ['14 Oak Ln, 2nd Floor', '14 Oak Ln Fl 2'],
    ['14 O’Hara Lane', "14 O'Hara Ln"], ['14 Oak Ln, Tidewick, MW 20417-0012', '14 Oak Lane, Tidewick MW 20417'], ['14 Oak Ln Lot 5', 'Lot 5, 14 Oak Ln'], ['14 Oak Ln Rear', '14 Oak Ln, rear'],
]);

it('does not take two places for one', function (string $one, string $other) {
    expect(Address::parse($one)->key())->not->toBe(Address::parse($other)->key());
})->with([
    ['14 Oak Ln Bldg 2', '14 Oak Ln Apt 2'], ['14 Oak Ln Lot 5', '14 Oak Ln Unit 5'], ['14 North St', '14 N St'], ['14 Oak Ln', '14 Oak St'], ['14 Oak Ln', '140 Oak Ln'], ['14 N Oak Ln', '14 S Oak Ln'], ['14 N Oak Ln', '14 Oak Ln'], ['14 Oak Ln Apt 3', '14 Oak Ln Apt 4'], ['14 Oak Ln', '14½ Oak Ln'],
    ['1200 County Rd 12', '1200 County Rd 13'], ['14 Oak Ln Upper', '14 Oak Ln Lower'], ['14 Oak Ln Spc 2', '14 Oak Ln Lot 2'], ['14 East Ave', '14 E Ave'], ['14 Oak Ln Fl 2', '14 Oak Ln Apt 2'],
]);
