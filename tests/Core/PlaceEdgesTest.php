<?php

declare(strict_types=1);

use Tests\Support\RuledPage;

/** An agent's signature with a license number beside it. @return list<list<float|int|string>> */
function licensed(float $x, float $y = 500): array
{
    return [
        [120, 280, 500], [72, 491, 'Licensee:'], [120, 200, 530], [72, 521, 'Date:'], [$x, $x + 90, $y], [$x - 60, $y - 9, 'License no.:'],
    ];
}

// One thing is moved or grown step by step, and every step is named at which the page asks for something else.
it('takes what stands in a block for its signer’s as far as the block goes', function (Closure $page, array $steps, array $expected) {
    $seats = ['buyer.1', 'buyer.2', 'seller.1', 'agent.1'];
    expect(RuledPage::whileChanging($page, ...$steps, seats: $seats))->toBe($expected);
})->with([
    'beside its signature, farther away' => [
        fn (float $x) => licensed($x),
        [342, 400, 1],
        ['342: signature agent.1 88, date agent.1 86, text agent.1 79', '380: signature agent.1 88, date agent.1 86'],
    ],
    'beside its signature, lower' => [
        fn (float $y) => licensed(360, $y),
        [488, 512, 0.5],
        [
            '488: signature agent.1 88, date agent.1 86',
            '493: signature agent.1 88, date agent.1 86, text agent.1 79',
            '507.5: signature agent.1 88, date agent.1 86',
        ],
    ],
    'before its signature, farther away' => [
        fn (float $x) => [
            [320, 480, 500], [270, 491, 'Licensee:'], [320, 400, 530], [270, 521, 'Date:'], [$x, $x + 60, 500],
            [$x - 60, 491, 'License no.:'],
        ],
        [130, 210, 1],
        ['130: signature agent.1 88, date agent.1 86', '161: signature agent.1 88, date agent.1 86, text agent.1 79'],
    ],
    'under a signature, lower' => [
        fn (float $y) => [[72, 280, 300], [72, 303, 'Buyer'], [120, 300, $y], [72, $y - 9, 'Address:']],
        [323, 420, 1],
        ['323: signature buyer.1 92, text buyer.1 83', '410: signature buyer.1 92'],
    ],
    'under a signature, aside' => [
        fn (float $x) => [[72, 280, 300], [72, 303, 'Buyer'], [$x, $x + 140, 340], [$x - 45, 331, 'Address:']],
        [120, 420, 1],
        ['120: signature buyer.1 92, text buyer.1 83', '304: signature buyer.1 92'],
    ],
    'under a signature, shorter' => [
        fn (float $w) => [[72, 280, 300], [72, 303, 'Buyer'], [120, 120 + $w, 340], [72, 331, 'Address:']],
        [10, 80, 1],
        ['10: signature buyer.1 92', '50: signature buyer.1 92, text buyer.1 83'],
    ],
    'under two signatures, nearer to the second' => [
        fn (float $y) => [
            [72, 280, 200], [72, 203, 'Buyer'], [72, 280, 300], [72, 303, 'Seller'], [120, 300, $y], [72, $y - 9, 'Address:'],
        ],
        [223, 280, 1],
        ['223: signature buyer.1 92, signature seller.1 92, text buyer.1 83'],
    ],
    'under two signatures, under the second' => [
        fn (float $y) => [
            [72, 280, 200], [72, 203, 'Buyer'], [72, 280, 300], [72, 303, 'Seller'], [120, 300, $y], [72, $y - 9, 'Address:'],
        ],
        [323, 380, 1],
        ['323: signature buyer.1 92, signature seller.1 92, text seller.1 83'],
    ],
    'its label under its line' => [
        fn (float $y) => [[72, 280, 300], [72, 303, 'Buyer'], [72, 280, 340], [72, $y, 'Phone number']],
        [330, 370, 1],
        ['330: signature buyer.1 92', '339: signature buyer.1 92, text buyer.1 83', '346: signature buyer.1 92'],
    ],
    'a square, lower' => [
        fn (float $y) => [[84, $y, 'I have received a copy.'], [72, $y + 1, 80, $y + 9], [120, 280, 600], [80, 591, 'Buyer:']],
        [400, 620, 1],
        ['400: signature buyer.1 60', '451: signature buyer.1 60, tick buyer.1 54', '584:', '600: signature buyer.1 60'],
    ],
    'a square over two signatures' => [
        fn (float $y) => [
            [84, $y, 'I have received a copy.'], [72, $y + 1, 80, $y + 9], [120, 280, 500], [80, 491, 'Buyer:'], [120, 280, 600],
            [80, 591, 'Seller:'],
        ],
        [410, 620, 1],
        [
            '410: signature buyer.1 60, signature seller.1 60, tick buyer.1 54',
            '484: signature seller.1 60',
            '500: signature buyer.1 60, signature seller.1 60, tick seller.1 54',
            '584: signature buyer.1 60',
            '600: signature buyer.1 60, signature seller.1 60',
        ],
    ],
    'a square of the seller, whose signature is lower' => [
        fn (float $y) => [
            [84, 420, 'Seller acknowledges receipt.'], [72, 421, 80, 429], [120, 280, 460], [80, 451, 'Buyer:'], [120, 280, $y],
            [120, $y + 3, 'Seller'],
        ],
        [480, 600, 1],
        [
            '480: signature buyer.1 60, signature seller.1 92, tick seller.1 83',
            '570: signature buyer.1 60, signature seller.1 92',
        ],
    ],
    'a square of somebody who signs nothing' => [
        fn (float $y) => [[84, 420, 'Tenant acknowledges receipt.'], [72, 421, 80, 429], [120, 280, $y], [80, $y - 9, 'Buyer:']],
        [460, 520, 20],
        ['460: signature buyer.1 60'],
    ],
    'a square whose signer is named in print only' => [
        fn (float $y) => [[84, 420, 'Buyer waives it.'], [72, 421, 80, 429], [120, 280, $y], [120, $y + 3, 'Buyer']],
        [440, 600, 2],
        ['440: signature buyer.1 92, tick buyer.1 83', '570: signature buyer.1 92'],
    ],
    // places
    'brackets that come nearer' => [
        fn (float $x) => [[72, 700, '( )'], [$x, 700, '( )'], [200, 700, 'Buyer initials']],
        [88, 140, 1],
        ['88:'],
    ],
    'brackets, the second lower' => [
        fn (float $y) => [[72, 700, '( )'], [100, $y, '( )'], [140, 700, 'Buyer initials']],
        [692, 708, 0.5],
        ['692:', '697.5: initials buyer.1 90, initials buyer.2 95', '703:'],
    ],
    'brackets in a text that goes on' => [
        fn (float $n) => [[72, 700, '( ) ( ) Buyer initials'.str_repeat(' or', (int) $n)]],
        [0, 8, 1],
        ['0: initials buyer.1 95, initials buyer.2 92', '3:'],
    ],
    'a date of three lines, shorter' => [
        fn (float $w) => [
            [72, 280, 500], [40, 491, 'Buyer'], [300, 300 + $w, 500], [$w + 304, 304 + 2 * $w, 500], [308 + 2 * $w, 308 + 4 * $w, 500],
        ],
        [6, 30, 1],
        ['6: signature buyer.1 60', '18: signature buyer.1 88, date buyer.1 86', '25: signature buyer.1 60'],
    ],
    'a date of three lines, a fourth after it' => [
        fn (float $x) => [[72, 280, 500], [40, 491, 'Buyer'], [300, 320, 500], [324, 344, 500], [348, 388, 500], [$x, $x + 30, 500]],
        [389, 420, 1],
        ['389: signature buyer.1 60', '397: signature buyer.1 88, date buyer.1 86'],
    ],
    'a long line with a date under it, lower' => [
        fn (float $y) => [[72, 400, 500], [80, 503, 'Signature'], [300, $y, 'Date'], [40, 491, 'Buyer']],
        [488, 520, 0.5],
        ['488: signature buyer.1 95', '495:', '498.5: signature buyer.1 95, date buyer.1 93', '509: signature buyer.1 95'],
    ],
    'a long line with a date that labels the next' => [
        fn (float $x) => [[72, 400, 500], [80, 503, 'Signature'], [340, 503, 'Date'], [$x, $x + 80, 512], [40, 491, 'Buyer']],
        [355, 410, 1],
        ['355: signature buyer.1 95, date buyer.1 93'],
    ],
    'a long line with a date whose next line is lower' => [
        fn (float $y) => [[72, 400, 500], [80, 503, 'Signature'], [340, 503, 'Date'], [370, 450, $y], [40, 491, 'Buyer']],
        [502, 526, 0.5],
        [
            '502: signature buyer.1 95, date buyer.1 93',
            '506.5: signature buyer.1 88, date buyer.1 86',
            '511.5: signature buyer.1 95, date buyer.1 93',
            '521: signature buyer.1 95, date buyer.1 93, date buyer.1 93',
            '523: signature buyer.1 95, date buyer.1 93',
        ],
    ],
    'two runs of underscores, the second lower' => [
        fn (float $y) => [[72, 491, 'Buyer initials'], [150, 491, '______'], [188, $y, '______']],
        [484, 498, 0.5],
        ['484: initials buyer.1 95', '486.5: initials buyer.1 95, initials buyer.2 92', '498: initials buyer.1 95'],
    ],
    'two runs of underscores, longer' => [
        fn (float $n) => [
            [72, 491, 'Buyer initials'], [150, 491, str_repeat('_', (int) $n)], [155 + 5 * $n, 491, str_repeat('_', (int) $n)],
        ],
        [2, 26, 1],
        ['2:', '3: initials buyer.1 95, initials buyer.2 92'],
    ],
    'three in a row, the middle higher' => [
        fn (float $y) => [
            [72, 160, 700], [72, 703, 'Buyer'], [200, 280, $y], [200, $y + 3, 'Seller'], [320, 400, 700], [320, 703, 'Buyer'],
        ],
        [693, 710, 0.5],
        [
            '693: signature seller.1 92, signature buyer.1 92, signature buyer.2 92',
            '695.5: signature buyer.1 92, signature seller.1 92, signature buyer.2 92',
            '705: signature buyer.1 92, signature buyer.2 92, signature seller.1 92',
        ],
    ],
]);
