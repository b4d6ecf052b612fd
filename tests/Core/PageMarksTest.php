<?php

declare(strict_types=1);

use Tests\Support\RuledPage;
use Unanimus\Signing\PageMarks;
use Unanimus\Signing\Seat;

// Each of these moves or grows one thing on a page, step by step, and names every step at which the page asks for something else.
it('asks for the same on a page until what is said stands too far from its line, or the line is no line to sign', function (
    Closure $page,
    array $steps,
    array $expected,
    array $seats = ['buyer.1', 'buyer.2', 'seller.1', 'agent.1'],
) {
    expect(RuledPage::whileChanging($page, ...$steps, seats: $seats))->toBe($expected);
})->with([
    'a caption under its line' => [
        fn (float $y) => [[72, 280, 300], [72, $y, 'Buyer']],
        [280, 340, 0.5],
        ['280:', '298.5: signature buyer.1 92', '306:'],
    ],
    'a caption along its line' => [
        fn (float $x) => [[172, 380, 300], [$x, 303, 'Buyer']],
        [60, 420, 1],
        ['60:', '153: signature buyer.1 92', '380:'],
    ],
    'a label before its line, a date beside' => [
        fn (float $x) => [[250, 420, 300], [$x, 291, 'Buyer:'], [460, 540, 300], [435, 291, 'Date']],
        [60, 260, 1],
        ['60: signature ? 48, date ? 47', '130: signature buyer.1 88, date buyer.1 86', '224: signature ? 48, date ? 47'],
    ],
    'a label before its line, higher or lower' => [
        fn (float $y) => [[250, 420, 300], [215, $y, 'Buyer:'], [460, 540, 300], [435, 291, 'Date']],
        [270, 310, 0.5],
        [
            '270: signature buyer.1 80, date buyer.1 78',
            '280.5: signature buyer.1 88, date buyer.1 86',
            '300: signature ? 48, date ? 47',
        ],
    ],
    'a date beside a signature' => [
        fn (float $x) => [[72, 200, 300], [72, 303, 'Buyer'], [$x, $x + 60, 300], [$x, 303, 'Date']],
        [196, 540, 1],
        ['196: signature buyer.1 92, date buyer.1 90'],
    ],
    'a date before a signature' => [
        fn (float $x) => [[372, 500, 300], [372, 303, 'Buyer'], [$x, $x + 60, 300], [$x, 303, 'Date']],
        [20, 330, 1],
        ['20: date buyer.1 90, signature buyer.1 92'],
    ],
    'a date under a signature' => [
        fn (float $y) => [[72, 280, 300], [72, 303, 'Buyer'], [72, 200, $y], [45, $y - 9, 'Date']],
        [200, 560, 1],
        [
            '200: signature buyer.1 92',
            '254: date buyer.1 90, signature buyer.1 92',
            '289:',
            '309: signature buyer.1 92',
            '312: signature buyer.1 92, date buyer.1 90',
            '439: signature buyer.1 92',
        ],
    ],
    'a date under a signature, further right' => [
        fn (float $x) => [[72, 280, 300], [72, 303, 'Buyer'], [$x, $x + 100, 340], [$x - 30, 331, 'Date']],
        [60, 480, 1],
        ['60: signature buyer.1 92, date buyer.1 90', '361: signature buyer.1 92'],
    ],
    'a line without words beside a date' => [
        fn (float $x) => [[72, 291, str_repeat('_', 30)], [$x, $x + 60, 300], [$x, 303, 'Date']],
        [222, 540, 1],
        ['222: signature ? 48, date ? 47', '422:'],
    ],
    'a line by its width, a caption under it' => [
        fn (float $w) => [[72, 72 + $w, 300], [72, 303, 'Buyer']],
        [10, 500, 1],
        ['10:', '70: signature buyer.1 92', '431:'],
    ],
    'initials by their width' => [
        fn (float $w) => [[72, 72 + $w, 300], [72, 303, 'Buyer initials']],
        [8, 220, 1],
        ['8:', '31: initials buyer.1 95', '58:', '131: initials buyer.1 95', '151:'],
    ],
    'initials in a foot, by their height on the page' => [
        fn (float $y) => [[100, 140, $y], [70, $y - 9, 'Buyer'], [240, 280, $y], [205, $y - 9, 'Seller']],
        [640, 785, 1],
        ['640:', '697: initials buyer.1 75, initials seller.1 73'],
    ],
    'initials in a foot, by their width' => [
        fn (float $w) => [[100, 100 + $w, 760], [70, 751, 'Buyer'], [240, 240 + $w, 760], [205, 751, 'Seller']],
        [8, 110, 1],
        [
            '8:',
            '18: initials buyer.1 75, initials seller.1 73',
            '70: signature buyer.1 60, signature seller.1 60',
            '107:',
            '109: signature buyer.1 60',
        ],
    ],
    'initials in a foot, one lower' => [
        fn (float $y) => [[100, 140, 760], [70, 751, 'Buyer'], [240, 280, $y], [205, $y - 9, 'Seller']],
        [740, 785, 0.5],
        ['740:', '753.5: initials seller.1 75, initials buyer.1 73', '755.5: initials buyer.1 75, initials seller.1 73', '767:'],
    ],
    'a second line of initials' => [
        fn (float $x) => [[72, 112, 300], [72, 303, 'Buyer initials'], [$x, $x + 40, 300]],
        [100, 320, 1],
        ['100:', '113: initials buyer.1 95, initials buyer.2 92', '242: initials buyer.1 95'],
    ],
    'a second line of initials, lower' => [
        fn (float $y) => [[72, 112, 300], [30, 291, 'Initials'], [120, 160, $y]],
        [285, 320, 0.5],
        [
            '285: initials ? 57',
            '291.5: initials ? 57, initials ? 57',
            '293: initials ? 57',
            '295.5: initials ? 57, initials ? 55',
            '307: initials ? 57',
            '307.5: initials ? 57, initials ? 57',
            '311: initials ? 57',
        ],
    ],
    'a second line of initials, wider' => [
        fn (float $w) => [[72, 112, 300], [72, 303, 'Buyer initials'], [120, 120 + $w, 300]],
        [10, 200, 1],
        [
            '10: initials buyer.1 95',
            '18: initials buyer.1 95, initials buyer.2 92',
            '151: initials buyer.1 95',
        ],
    ],
    'an open line under a signature' => [
        fn (float $y) => [[72, 280, 300], [72, 303, 'Buyer'], [72, $y, str_repeat('_', 42)]],
        [295, 370, 0.5],
        [
            '295: signature buyer.1 92',
            '298: signature buyer.1 85, signature buyer.2 92',
            '299.5: signature buyer.1 85, signature ? 43',
            '302.5: signature buyer.1 92, signature ? 47',
            '306.5: signature buyer.1 92, signature ? 45',
            '312: signature buyer.1 92, signature buyer.2 75',
            '352: signature buyer.1 92',
        ],
    ],
    'an open line under a signature, further right' => [
        fn (float $x) => [[72, 280, 300], [30, 291, 'Buyer'], [372, 450, 300], [345, 291, 'Date'], [$x, $x + 208, 330]],
        [55, 90, 0.5],
        [
            '55: signature buyer.1 88, date buyer.1 86, signature ? 45',
            '57: signature buyer.1 88, date buyer.1 86',
            '67.5: signature buyer.1 88, date buyer.1 86, signature ? 45',
            '77: signature buyer.1 88, date buyer.1 86',
        ],
    ],
    'an open line under a signature, longer' => [
        fn (float $w) => [[72, 280, 300], [30, 291, 'Buyer'], [372, 450, 300], [345, 291, 'Date'], [72, 72 + $w, 330]],
        [180, 240, 0.5],
        [
            '180: signature buyer.1 88, date buyer.1 86',
            '198.5: signature buyer.1 88, date buyer.1 86, signature ? 45',
            '218: signature buyer.1 88, date buyer.1 86',
        ],
    ],
    'two dates, the second without words' => [
        fn (float $x) => [
            [72, 280, 300], [30, 291, 'Buyer'], [372, 450, 300], [372, 303, 'Date'], [72, 280, 360],
            [30, 351, 'Seller'], [$x, $x + 78, 360],
        ],
        [355, 395, 0.5],
        [
            '355: signature buyer.1 88, date buyer.1 86, signature seller.1 70',
            '366.5: signature buyer.1 88, date buyer.1 86, signature seller.1 70, date seller.1 69',
            '378: signature buyer.1 88, date buyer.1 86, signature seller.1 70',
        ],
    ],
    'two dates, the second without words, longer' => [
        fn (float $w) => [
            [72, 280, 300], [30, 291, 'Buyer'], [372, 450, 300], [372, 303, 'Date'], [72, 280, 360],
            [30, 351, 'Seller'], [372, 372 + $w, 360],
        ],
        [55, 100, 0.5],
        [
            '55: signature buyer.1 88, date buyer.1 86, signature seller.1 70',
            '70.5: signature buyer.1 88, date buyer.1 86, signature seller.1 70, date seller.1 69',
            '86: signature buyer.1 88, date buyer.1 86, signature seller.1 70',
        ],
    ],
    'a long line with a date under it' => [
        fn (float $x) => [[72, 480, 300], [72, 303, 'Seller'], [$x, 303, 'Date']],
        [110, 500, 1],
        ['110:', '150: signature seller.1 92, date seller.1 90', '465: signature seller.1 92'],
    ],
    'a long line with a date under it, lower' => [
        fn (float $y) => [[72, 480, 300], [72, 303, 'Seller'], [400, $y, 'Date']],
        [290, 320, 0.5],
        ['290: signature seller.1 92', '295:', '298.5: signature seller.1 92, date seller.1 90', '309: signature seller.1 92'],
    ],
    'a long line with a date under it, by its width' => [
        fn (float $w) => [[72, 72 + $w, 300], [72, 303, 'Seller'], [72 + $w - 30, 303, 'Date']],
        [100, 470, 1],
        ['100:', '101: signature seller.1 92', '150: signature seller.1 92, date seller.1 90', '469:'],
    ],
    'a date under a long line that is the label of another' => [
        fn (float $x) => [[72, 480, 300], [72, 303, 'Seller'], [380, 303, 'Date'], [$x, $x + 90, 312]],
        [380, 470, 1],
        [
            '380: signature seller.1 92, date seller.1 90',
            '453: signature seller.1 92',
            '461: signature seller.1 92, date seller.1 90',
        ],
    ],
    'underscores' => [
        fn (float $x) => [[72, 291, 'Initials: ______'], [$x, 291, '______']],
        [140, 320, 1],
        ['140: initials ? 57, initials ? 57', '151: initials ? 57, initials ? 55', '282: initials ? 57'],
    ],
    'underscores, the second lower' => [
        fn (float $y) => [[72, 291, 'Initials: ______'], [160, $y, '______']],
        [280, 302, 0.5],
        [
            '280: initials ? 57',
            '282.5: initials ? 57, initials ? 57',
            '284: initials ? 57',
            '286.5: initials ? 57, initials ? 55',
            '298: initials ? 57',
            '298.5: initials ? 57, initials ? 57',
            '299: initials ? 57',
        ],
    ],
    'words after a line' => [
        fn (float $n) => [
            [72, 280, 300], [30, 291, 'Buyer'], [284, 291, trim(str_repeat('of ', (int) $n))],
            [72, 303, 'Signature'],
        ],
        [0, 8, 1],
        ['0: signature buyer.1 95', '4:'],
    ],
    'words after a line, further right' => [
        fn (float $x) => [[72, 280, 300], [30, 291, 'Buyer'], [$x, 291, 'of that day then'], [72, 303, 'Signature']],
        [276, 330, 0.5],
        ['276: signature buyer.1 95', '277:', '298.5: signature buyer.1 95'],
    ],
    'a table' => [
        fn (float $w) => [
            [72, 200, 172, 230], [172, 200, 172 + $w, 230], [172 + $w, 200, 500, 230], [76, 210, 'Buyer'],
            [180, 185, 'Signature'], [176 + $w, 185, 'Date'],
        ],
        [40, 250, 2],
        ['40:', '74: signature buyer.1 95, date buyer.1 93'],
    ],
    'captions in one frame' => [
        fn (float $y) => [[72, 300, 272, 360], [76, 304, 'Buyer'], [76, $y, 'Date']],
        [304, 356, 1],
        ['304:', '325: signature buyer.1 75, date buyer.1 74', '327: signature buyer.1 85, date buyer.1 83', '340:'],
    ],
    'a caption in a frame' => [
        fn (float $h) => [[72, 300, 272, 300 + $h], [76, 302, 'Buyer'], [272, 300, 372, 300 + $h], [276, 302, 'Date']],
        [8, 90, 1],
        ['8:', '21: signature buyer.1 85, date buyer.1 83'],
    ],
    'a date beside initials' => [
        fn (float $x) => [[72, 112, 300], [72, 303, 'Buyer initials'], [$x, $x + 60, 300], [$x, 303, 'Date']],
        [110, 440, 1],
        ['110:', '114: initials buyer.1 95, date buyer.1 93'],
    ],
    'a narrow date' => [
        fn (float $w) => [[72, 280, 300], [72, 303, 'Buyer'], [300, 300 + $w, 300], [300, 303, 'Date']],
        [8, 40, 1],
        ['8: signature buyer.1 92', '18: signature buyer.1 92, date buyer.1 90'],
    ],
    'a date with two signatures near' => [
        fn (float $y) => [
            [72, 280, 300], [72, 303, 'Buyer'], [72, 280, 400], [72, 403, 'Seller'], [300, 380, $y],
            [270, $y - 9, 'Date'],
        ],
        [290, 460, 1],
        [
            '290: date buyer.1 90, signature buyer.1 92, signature seller.1 92',
            '293: signature buyer.1 92, signature seller.1 92',
            '304: date ? 47, signature ? 48, signature seller.1 92',
            '305: signature seller.1 92',
            '309: signature buyer.1 92, date buyer.1 90, signature seller.1 92',
            '382: signature buyer.1 92, date seller.1 90, signature seller.1 92',
            '393: signature buyer.1 92, signature seller.1 92',
            '404: signature buyer.1 92, date ? 47, signature ? 48',
            '405: signature buyer.1 92',
            '408: signature buyer.1 92, date buyer.1 90',
            '409: signature buyer.1 92, signature seller.1 92, date seller.1 90',
        ],
    ],
    'a date right of one, left of another' => [
        fn (float $x) => [
            [40, 160, 300], [40, 303, 'Buyer'], [420, 540, 300], [420, 303, 'Seller'], [$x, $x + 40, 300],
            [$x, 303, 'Date'],
        ],
        [165, 375, 1],
        [
            '165: signature buyer.1 92, date buyer.1 90, signature seller.1 92',
        ],
    ],
    'a field for a date' => [
        fn (float $y) => [[72, 280, 300], [72, 303, 'Buyer'], [300, $y, 'Date:'], [330, $y, '__________']],
        [285, 310, 0.5],
        ['285: date buyer.1 90, signature buyer.1 92', '286.5: signature buyer.1 92, date buyer.1 90'],
    ],
    'a caption with other words near it' => [
        fn (float $x) => [[172, 380, 300], [172, 303, 'Buyer'], [$x, 303, 'of the premises']],
        [195, 320, 1],
        ['195:', '222: signature buyer.1 92'],
    ],
    'a caption with words before it' => [
        fn (float $x) => [[272, 480, 300], [300, 303, 'Buyer'], [$x, 303, 'seller']],
        [150, 272, 1],
        ['150: signature buyer.1 92', '248: signature seller.1 92'],
    ],
    'a caption, the line under it' => [
        fn (float $y) => [[72, 280, 300], [72, $y - 9, 'Buyer'], [72, 280, $y]],
        [305, 345, 0.5],
        ['305:', '307.5: signature buyer.1 92', '315:'],
    ],
    'captions side by side' => [
        fn (float $x) => [[72, 280, 300], [$x, $x + 100, 300], [72, 303, 'Buyer'], [$x, 303, 'Time']],
        [275, 420, 1],
        ['275: signature buyer.1 92, time buyer.1 90'],
    ],
]);

it('reads a row from the left also where its lines stand a little higher or lower, as on a scan', function (float $right) {
    $page = [[60, 260, 300], [60, 303, 'Seller signature'], [320, 520, $right], [320, $right + 3, 'Seller signature']];
    $marks = PageMarks::on(RuledPage::of($page), [Seat::of('seller.1'), Seat::of('seller.2')]);
    expect(array_map(fn ($mark) => [(int) $mark->place->x, (string) $mark->seat], $marks))->toBe([[60, 'seller.1'], [320, 'seller.2']]);
})->with([296.0, 299.0, 300.0, 301.0, 304.0]);

it('tells whose helper, which witness and which firm is meant', function (array $parts, string $asked) {
    expect(RuledPage::asks(RuledPage::of($parts)))->toBe($asked);
})->with([
    'the purchaser’s agent' => [
        [[60, 291, 'Purchaser’s agent:'], [180, 340, 300], [350, 291, 'Date:'], [380, 450, 300]],
        'signature agent.1 88, date agent.1 86',
    ],
    'the agents of both sides' => [
        [
            [72, 280, 300], [72, 303, 'Buyer’s agent'], [72, 280, 400], [72, 403, 'Seller’s agent'],
            [72, 280, 500], [72, 503, 'Seller’s agent'],
        ],
        'signature agent.1 92, signature ? seller’s agent 55, signature ? seller’s agent 2 55',
    ],
    'a licensee for one side' => [[[72, 280, 300], [72, 303, 'Licensee for the seller']], 'signature agent.1 92'],
    'a firm is no signer' => [[[72, 280, 300], [72, 303, 'Brokerage (firm)']], ''],
    'a witness is nobody of the deal' => [
        [[60, 491, 'WITNESS:'], [120, 260, 500], [280, 491, 'NOTARY PUBLIC:'], [380, 520, 500]],
        'signature ? witness 48, signature ? notary public 48',
    ],
    'what is signed for somebody who is named after it' => [
        [[60, 291, '/s/'], [80, 220, 300], [224, 291, '(Trustee of the Holt Family Trust)']],
        'signature ? 54',
    ],
    'a client among owners' => [
        [[60, 291, 'Owner initials:'], [140, 170, 300], [250, 291, 'Client to initial:'], [340, 370, 300]],
        'initials seller.1 95, initials ? client 57',
    ],
    'a name that says whose it is' => [
        [
            [60, 291, 'Buyer:'], [100, 260, 300], [280, 291, 'Date:'], [310, 380, 300],
            [60, 321, 'Agent:'], [100, 260, 330], [280, 321, 'Date:'], [310, 380, 330],
            [60, 351, 'Buyer name (print):'], [160, 300, 360],
        ],
        'signature buyer.1 88, date buyer.1 86, signature agent.1 88, date agent.1 86, name buyer.1 86',
    ],
]);
