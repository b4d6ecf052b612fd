<?php

declare(strict_types=1);

use Tests\Support\RuledPage;

// As in the guesses of seats: one thing is moved or grown step by step, and every step is named at which the page asks for something else.
it('parts and joins lines by where they stand', function (Closure $page, array $steps, array $expected) {
    expect(RuledPage::whileChanging($page, ...$steps, seats: ['buyer.1', 'buyer.2', 'seller.1']))->toBe($expected);
})->with([
    'a date of three lines, the first and the second farther apart' => [
        fn (float $x) => [[72, 280, 500], [40, 491, 'Buyer'], [300, 320, 500], [$x, $x + 20, 500], [$x + 24, $x + 54, 500]],
        [318, 345, 1],
        ['318: signature buyer.1 60', '321: signature buyer.1 88, date buyer.1 86', '329: signature buyer.1 60'],
    ],
    'a date of three lines, the second wider' => [
        fn (float $w) => [[72, 280, 500], [40, 491, 'Buyer'], [300, 320, 500], [324, 324 + $w, 500], [328 + $w, 368 + $w, 500]],
        [10, 40, 1],
        ['10: signature buyer.1 60', '18: signature buyer.1 88, date buyer.1 86', '24: signature buyer.1 60'],
    ],
    'a date of three lines, the third wider' => [
        fn (float $w) => [[72, 280, 500], [40, 491, 'Buyer'], [300, 320, 500], [324, 344, 500], [348, 348 + $w, 500]],
        [15, 60, 1],
        ['15: signature buyer.1 60', '25: signature buyer.1 88, date buyer.1 86', '49: signature buyer.1 60'],
    ],
    'a date of three lines, the third lower' => [
        fn (float $y) => [[72, 280, 500], [40, 491, 'Buyer'], [300, 320, 500], [324, 344, 500], [348, 380, $y]],
        [490, 510, 0.5],
        ['490: signature buyer.1 60', '497.5: signature buyer.1 88, date buyer.1 86', '503: signature buyer.1 60'],
    ],
    'a long line with a date under it' => [
        fn (float $x) => [[72, 400, 500], [80, 503, 'Signature'], [$x, 503, 'Date'], [40, 491, 'Buyer']],
        [140, 420, 2],
        ['140:', '150: signature buyer.1 95, date buyer.1 93', '386: signature buyer.1 95'],
    ],
    'a line with a date under it, by its width' => [
        fn (float $w) => [[72, 72 + $w, 500], [76, 503, 'Buyer'], [72 + $w - 30, 503, 'Date']],
        [120, 260, 1],
        ['120: signature buyer.1 92', '150: signature buyer.1 92, date buyer.1 90'],
    ],
    'two runs of underscores, farther apart' => [
        fn (float $x) => [[72, 491, 'Buyer initials'], [150, 491, '______'], [$x, 491, '______']],
        [176, 230, 1],
        ['176: initials buyer.1 95, initials buyer.2 95', '179: initials buyer.1 95, initials buyer.2 92'],
    ],
    'a cell under a role, by its height' => [
        fn (float $h) => [[60, 300, 240, 330], [100, 310, 'BUYER'], [60, 330, 240, 330 + $h], [60, 700, 'Signed by all']],
        [8, 100, 1],
        ['8:', '29: signature buyer.1 75', '84:'],
    ],
    'a cell under a role beside a date, by its height' => [
        fn (float $h) => [
            [60, 300, 240, 330], [100, 310, 'BUYER'], [60, 330, 240, 330 + $h], [240, 300, 320, 330], [260, 310, 'DATE'],
            [240, 330, 320, 330 + $h], [60, 700, 'Signed by all'],
        ],
        [8, 100, 1],
        ['8:', '16: signature buyer.1 88, date buyer.1 86', '84:'],
    ],
    'roles after words of receipt, farther under them' => [
        fn (float $y) => [[60, 100, 'Received and acknowledged'], [110, 290, $y], [75, $y - 9, 'Buyer:']],
        [110, 260, 1],
        ['110:', '118: signature buyer.1 60', '219:'],
    ],
    'roles after words of receipt, by the width of the line' => [
        fn (float $w) => [[60, 100, 'Received and acknowledged'], [110, 110 + $w, 160], [75, 151, 'Buyer:']],
        [60, 330, 1],
        ['60:', '90: signature buyer.1 60', '301:'],
    ],
    'a firm and by whom, farther apart' => [
        fn (float $x) => [[60, 100, 'Signed here'], [125, 250, 160], [75, 151, 'Broker:'], [$x, 151, 'By:'], [$x + 18, $x + 150, 160]],
        [252, 330, 1],
        ['252: signature ? broker 54'],
    ],
    'the same name in print beside it, farther away' => [
        fn (float $x) => [[125, 250, 160], [75, 151, 'Seller:'], [$x, 151, '(print)'], [$x + 38, $x + 150, 160]],
        [252, 330, 1],
        ['252: signature seller.1 88, name seller.1 86', '272:'],
    ],
]);
