<?php

declare(strict_types=1);

use Tests\Support\RuledPage;

it('asks whoever signs for what stands in their block: how they are reached, for whom they sign', function (array $parts, string $asked) {
    expect(RuledPage::asks(RuledPage::of($parts)))->toBe($asked);
})->with([
    'an address under a signature' => [
        [[72, 280, 300], [72, 303, 'Buyer'], [120, 300, 340], [72, 331, 'Address:']],
        'signature buyer.1 92, text buyer.1 83',
    ],
    'a phone and an email address on one row' => [
        [
            [72, 280, 300], [72, 303, 'Buyer'],
            [110, 190, 340], [72, 331, 'Phone:'], [230, 330, 340], [195, 331, 'Email:'],
        ],
        'signature buyer.1 92, text buyer.1 83, text buyer.1 83',
    ],
    'a brokerage beside a license: no signature of its own' => [
        [
            [120, 280, 600], [72, 591, 'Licensee:'], [340, 420, 600], [310, 591, 'Date:'],
            [140, 200, 630], [72, 621, 'License no.:'], [270, 380, 630], [210, 621, 'Brokerage:'],
        ],
        'signature agent.1 88, date agent.1 86, text agent.1 79, company agent.1 79',
    ],
    'an address that nobody signs over' => [
        [[72, 280, 300], [72, 303, 'Buyer'], [150, 400, 200], [72, 191, 'Address:']],
        'signature buyer.1 92',
    ],
    'an address far under a signature' => [
        [[72, 280, 300], [72, 303, 'Buyer'], [120, 300, 420], [72, 411, 'Address:']],
        'signature buyer.1 92',
    ],
    'another column' => [
        [[72, 280, 300], [72, 303, 'Buyer'], [400, 540, 340], [350, 331, 'Address:']],
        'signature buyer.1 92',
    ],
    'what is no way to reach anybody' => [
        [[72, 280, 300], [72, 303, 'Buyer'], [120, 300, 340], [72, 331, 'Remarks:']],
        'signature buyer.1 92',
    ],
]);

it('gives a square to whoever alone can say what stands after it', function (string $words, string $asked) {
    $page = RuledPage::of([
        [84, 260, $words], [72, 261, 80, 269],
        [120, 280, 300], [80, 291, 'Buyer:'], [320, 400, 300], [290, 291, 'Date:'],
    ]);
    expect(RuledPage::asks($page))->toBe(trim("signature buyer.1 88, date buyer.1 86{$asked}"));
})->with([
    ['I have received a copy.', ', tick buyer.1 79'],
    ['We waive the inspection.', ', tick buyer.1 79'],
    ['Buyer acknowledges receipt.', ', tick buyer.1 79'],
    ['Seller acknowledges receipt.', ''],
    ['Seller to repair the roof.', ''],
    ['cash', ''],
]);
