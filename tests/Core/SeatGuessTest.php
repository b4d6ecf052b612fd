<?php

declare(strict_types=1);

use Tests\Support\RuledPage;

// Each of these moves or grows one thing on a page, step by step, and names every step at which the page asks for something else.
it('tells whose a line is from what stands beside, over and under it', function (
    Closure $page,
    array $steps,
    array $expected,
    array $seats = ['buyer.1', 'buyer.2', 'seller.1', 'agent.1'],
) {
    expect(RuledPage::whileChanging($page, ...$steps, seats: $seats))->toBe($expected);
})->with([
    'a line by its width, no caption, a role over it' => [
        fn (float $n) => [[72, 291, str_repeat('_', (int) $n)], [72, 270, 'Buyer']],
        [6, 90, 1],
        ['6:', '20: signature buyer.1 75', '87:'],
    ],
    'a line by its width, no caption, a role below it' => [
        fn (float $n) => [[72, 291, str_repeat('_', (int) $n)], [72, 306, 'Buyer']],
        [6, 90, 1],
        ['6:', '14: signature buyer.1 92', '87:'],
    ],
    'initials named after the row' => [
        fn (float $x) => [[72, 112, 300], [120, 291, '______'], [$x, 291, 'Buyer initials']],
        [150, 200, 0.5],
        ['150: initials buyer.1 90, initials buyer.2 95', '180.5:'],
    ],
    'a named line under a signature' => [
        fn (float $y) => [
            [72, 280, 300], [30, 291, 'Buyer'], [372, 450, 300], [345, 291, 'Date'], [72, 280, $y],
            [30, $y - 9, 'Seller'],
        ],
        [300, 400, 0.5],
        [
            '300: signature seller.1 88, date seller.1 86',
            '309: signature buyer.1 88, date buyer.1 86',
            '311.5: signature buyer.1 88, date buyer.1 86, signature seller.1 70',
            '370: signature buyer.1 88, date buyer.1 86',
        ],
    ],
    'a named line under a signature, by its width' => [
        fn (float $w) => [
            [72, 280, 300], [30, 291, 'Buyer'], [372, 450, 300], [345, 291, 'Date'], [72, 72 + $w, 340],
            [30, 331, 'Seller'],
        ],
        [40, 240, 1],
        ['40: signature buyer.1 88, date buyer.1 86', '90: signature buyer.1 88, date buyer.1 86, signature seller.1 70'],
    ],
    'a role alone, by its height on the page' => [
        fn (float $y) => [[120, 300, $y], [78, $y - 9, 'Buyer:']],
        [300, 500, 1],
        ['300:', '412: signature buyer.1 60'],
    ],
    'a heading over a line' => [
        fn (float $y) => [[72, 280, 500], [72, $y, 'BUYER'], [300, 380, 500], [300, 503, 'Date'], [72, 503, 'Signature']],
        [200, 520, 1],
        [
            '200: signature ? 57, date ? 56',
            '251: signature buyer.1 95, date buyer.1 93',
            '483: signature ? 57, date ? 56',
            '495: signature buyer.1 92, date buyer.1 90',
            '500: signature buyer.1 95, date buyer.1 93',
            '506: signature ? 57, date ? 56',
        ],
    ],
    'a heading over a line, further left or right' => [
        fn (float $x) => [
            [172, 280, 500], [$x, 440, 'SELLER'], [300, 380, 500], [300, 503, 'Date'], [172, 503, 'Signature'],
        ],
        [20, 380, 1],
        ['20: signature ? 57, date ? 56', '53: signature seller.1 95, date seller.1 93', '288: signature ? 57, date ? 56'],
    ],
    'a heading with more words' => [
        fn (float $n) => [
            [72, 280, 500], [72, 440, trim(str_repeat('of ', (int) $n)).' buyer:'], [300, 380, 500],
            [300, 503, 'Date'], [72, 503, 'Signature'],
        ],
        [0, 14, 1],
        ['0: signature buyer.1 95, date buyer.1 93', '6: signature ? 57, date ? 56'],
    ],
    'text under a heading' => [
        fn (float $n) => [
            [72, 280, 500], [72, 440, 'BUYER'], [72, 455, trim(str_repeat('of ', (int) $n))],
            [72, 503, 'Signature'],
        ],
        [1, 14, 1],
        ['1: signature buyer.1 95', '10: signature ? 57'],
    ],
    'text between two signatures of one role' => [
        fn (float $n) => [
            [72, 280, 200], [72, 203, 'Buyer'], [72, 280, 300], [72, 303, 'Buyer'],
            [72, 240, str_repeat('of ', (int) $n)],
        ],
        [0, 40, 1],
        ['0: signature buyer.1 92, signature buyer.2 92', '25: signature buyer.1 92, signature buyer.1 92'],
    ],
    'text between two signatures, higher or lower' => [
        fn (float $y) => [
            [72, 280, 200], [72, 203, 'Buyer'], [72, 280, 300], [72, 303, 'Buyer'],
            [72, $y, str_repeat('of ', 30)],
        ],
        [200, 310, 0.5],
        [
            '200: signature buyer.1 92',
            '207: signature buyer.1 92, signature buyer.2 92',
            '217.5: signature buyer.1 92, signature buyer.1 92',
            '269: signature buyer.1 92, signature buyer.2 92',
            '283.5: signature buyer.1 92',
            '307: signature buyer.1 92, signature buyer.2 92',
        ],
    ],
    'roles over their lines' => [
        fn (float $y) => [
            [72, 230, 'SELLER'], [72, 251, str_repeat('_', 40)], [72, $y, 'BUYER'],
            [72, $y + 21, str_repeat('_', 40)],
        ],
        [255, 330, 0.5],
        [
            '255: signature seller.1 75, signature ? seller 2 45',
            '260: signature seller.1 75, signature buyer.1 75',
        ],
    ],
    'roles over their lines, the second further down' => [
        fn (float $d) => [
            [72, 230, 'SELLER'], [72, 251, str_repeat('_', 40)], [72, 263, 'BUYER'],
            [72, 251 + $d, str_repeat('_', 40)],
        ],
        [4, 90, 0.5],
        [
            '4: signature seller.1 92, signature ? seller 2 55',
            '6.5: signature buyer.1 85, signature seller.1 92',
            '8.5: signature buyer.1 85, signature seller.1 75',
            '11.5: signature seller.1 92, signature ? seller 2 45',
            '15.5: signature seller.1 75, signature ? seller 2 45',
            '21: signature seller.1 75, signature buyer.1 75',
            '61: signature seller.1 92',
        ],
    ],
    'roles over their lines, the second further right' => [
        fn (float $x) => [
            [72, 230, 'SELLER'], [72, 251, str_repeat('_', 40)], [72, 263, 'BUYER'],
            [$x, 281, str_repeat('_', 40)],
        ],
        [40, 330, 1],
        [
            '40: signature seller.1 92, signature buyer.1 75',
            '69: signature seller.1 75, signature buyer.1 75',
            '76: signature seller.1 92, signature buyer.1 75',
            '99: signature seller.1 92',
        ],
    ],
    'a name printed close by' => [
        fn (float $y) => [[150, 350, 300], [150, 303, 'Signature'], [150, 350, $y], [42, $y - 9, 'Buyer name (print)']],
        [220, 370, 1],
        [
            '220: signature ? 57',
            '254: name ? 56, signature ? 57',
            '255: name buyer.1 93, signature buyer.1 95',
            '289: signature buyer.1 95',
            '309: signature ? 57',
            '312: signature buyer.1 95, name buyer.1 93',
            '362: signature ? 57, name ? 56',
        ],
    ],
    'a name printed close by, further right' => [
        fn (float $x) => [
            [150, 350, 300], [150, 303, 'Signature'], [$x, $x + 100, 330], [$x - 108, 321, 'Buyer name (print)'],
        ],
        [120, 480, 1],
        ['120: signature buyer.1 95, name buyer.1 93', '350: signature ? 57, name ? 56', '431: signature ? 57'],
    ],
    'a name under a longer line' => [
        fn (float $y) => [[72, 280, 300], [130, 230, $y], [80, $y - 9, 'Seller'], [72, 280, 200], [72, 203, 'Buyer']],
        [300, 340, 0.5],
        [
            '300: signature buyer.1 92',
            '307.5: signature buyer.1 92, signature seller.1 92',
            '311.5: signature buyer.1 92, signature seller.1 85, name seller.1 83',
            '315: signature buyer.1 92',
        ],
    ],
    'a name under a longer line, by its width' => [
        fn (float $w) => [[72, 280, 300], [100, 100 + $w, 314], [68, 305, 'Seller']],
        [60, 220, 1],
        ['60: signature seller.1 85, name seller.1 83', '160: signature seller.1 85, signature ? seller 2 41'],
    ],
    'a name under a longer line, by its place' => [
        fn (float $x) => [[72, 280, 300], [$x, $x + 100, 314], [$x - 32, 305, 'Seller']],
        [60, 220, 1],
        ['60:', '80: signature seller.1 85, name seller.1 83', '184: signature seller.1 85, signature ? seller 2 41'],
    ],
    'a table, its headings higher' => [
        fn (float $y) => [
            [72, 500, 172, 530], [172, 500, 372, 530], [372, 500, 500, 530], [76, 510, 'Buyer'],
            [180, $y, 'Signature'], [376, $y, 'Date'],
        ],
        [60, 510, 2],
        ['60: signature buyer.1 60', '102: signature buyer.1 95, date buyer.1 93', '508:'],
    ],
    'a line that is listed' => [
        fn (float $n) => [
            [90, 280, 300], [78, 291, (string) (int) $n], [300, 380, 300], [300, 303, 'Date'],
            [90, 260, 'BUYERS'],
        ],
        [0, 4, 1],
        [
            '0: signature buyer.1 80, date buyer.1 78',
            '2: signature buyer.2 80, date buyer.2 78',
            '3: signature ? buyers 3 48, date ? buyers 3 47',
            '4: signature buyer.1 80, date buyer.1 78',
        ],
    ],
    'a role over an open line' => [
        fn (float $y) => [[72, 291, str_repeat('_', 40)], [72, $y, 'Buyer']],
        [230, 300, 0.5],
        ['230:', '242.5: signature buyer.1 75', '282.5: signature ? 45', '288:', '295: signature buyer.1 92'],
    ],
    'a role over an open line, further left or right' => [
        fn (float $x) => [[172, 291, str_repeat('_', 40)], [$x, 270, 'Buyer']],
        [100, 420, 1],
        ['100:', '146: signature buyer.1 75', '372:'],
    ],
    'initials of one side alone' => [
        fn (float $y) => [[72, 291, 'Initials: ______ ______'], [72, $y, 'Initials: ______']],
        [280, 330, 1],
        [
            '280: initials seller.1 66, initials seller.1 66, initials seller.2 65',
            '285: initials seller.1 66, initials seller.2 66, initials seller.1 65',
            '289: initials seller.1 66, initials seller.2 66, initials seller.1 66, initials seller.2 66, initials ? 46',
            '294: initials seller.1 66, initials seller.2 66, initials seller.1 65',
            '296: initials seller.1 66, initials seller.2 65, initials seller.1 66',
        ],
        ['seller.1', 'seller.2'],
    ],
    'signatures of one side alone' => [
        fn (float $n) => [
            [172, 380, 200], [80, 191, 'Signature'], [172, 380, 300], [80, 291, 'Signature'],
            [72, 240, str_repeat('of ', (int) $n)],
        ],
        [0, 30, 1],
        ['0: signature buyer.1 66, signature buyer.2 66', '25: signature buyer.1 66, signature buyer.1 66'],
        ['buyer.1', 'buyer.2'],
    ],
    'more signatures than there are clients' => [
        fn (float $y) => [
            [172, 380, 200], [80, 191, 'Signature'], [172, 380, 240], [80, 231, 'Signature'], [172, 380, $y],
            [80, $y - 9, 'Signature'],
        ],
        [196, 300, 1],
        [
            '196: signature buyer.1 66, signature buyer.2 66',
            '212: signature buyer.1 66, signature buyer.2 66, signature ? 48',
            '229: signature buyer.1 66, signature buyer.2 66',
            '252: signature buyer.1 66, signature buyer.2 66, signature ? 48',
        ],
        ['buyer.1', 'buyer.2'],
    ],
    'one role again and again' => [
        fn (float $y) => [
            [172, 380, 200], [172, 203, 'Buyer'], [172, 380, 240], [172, 243, 'Buyer'], [172, 380, $y],
            [172, $y + 3, 'Buyer'],
        ],
        [196, 300, 1],
        [
            '196: signature buyer.1 92, signature buyer.2 92',
            '212: signature buyer.1 92, signature buyer.2 92, signature ? buyer 3 55',
            '229: signature buyer.1 92, signature buyer.2 92',
            '252: signature buyer.1 92, signature buyer.2 92, signature ? buyer 3 55',
        ],
    ],
    'a lease signed by who is called otherwise' => [
        fn (float $n) => [[172, 380, 200], [172, 203, 'Purchaser #'.(int) $n]],
        [1, 4, 1],
        ['1: signature tenant.1 74', '2: signature tenant.2 74', '3: signature ? purchaser 3 55', '4: signature ? purchaser 4 55'],
        ['tenant.1', 'tenant.2', 'landlord.1'],
    ],
    'a broker who is the agent' => [
        fn (float $n) => [[172, 380, 200], [172, 203, 'Broker '.(int) $n]],
        [1, 3, 1],
        ['1: signature ? broker 55', '2: signature broker.2 92', '3: signature ? broker 3 55'],
        ['agent.1', 'broker.2'],
    ],
    'rows of initials' => [
        fn (float $y) => [[72, 112, 300], [72, 303, 'Buyer initials'], [72, 112, $y], [72, $y + 3, 'Buyer initials']],
        [318, 340, 0.5],
        ['318: initials buyer.1 95, initials buyer.1 95'],
    ],
    'rows of initials, beside' => [
        fn (float $y) => [[72, 112, 300], [72, 303, 'Buyer initials'], [172, 212, $y], [172, $y + 3, 'Buyer initials']],
        [285, 315, 0.5],
        [
            '285: initials buyer.1 95, initials buyer.1 95',
            '293.5: initials buyer.1 95, initials buyer.2 92',
            '304.5: initials buyer.1 90, initials buyer.2 95',
            '307: initials buyer.1 95',
        ],
    ],
]);

it('takes clients by their numbers, in whatever order they came into the file', function () {
    $page = RuledPage::typed(['Client: ____________________', 'Client: ____________________']);
    expect(RuledPage::asks($page, ['buyer.2', 'agent.1', 'buyer.1']))
        ->toBe(RuledPage::asks($page, ['buyer.1', 'buyer.2', 'agent.1']))
        ->toStartWith('signature buyer.1');
});
