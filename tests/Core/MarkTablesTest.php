<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\MarkFinder;
use Unanimus\Signing\ProposedMark;
use Unanimus\Signing\Seat;

beforeEach(function () {
    $this->scratch = new Scratch();
});

/** @param  list<string>  $seats @return list<string> */
function marksAsked(Scratch $scratch, string $content, array $seats = ['buyer.1', 'buyer.2', 'seller.1', 'seller.2', 'agent.1']): array
{
    return array_map(
        static fn (ProposedMark $mark) => $mark->kind->value.' '.($mark->seat ?? "? {$mark->word}"),
        MarkFinder::in($scratch->put('paper.pdf', MadePdf::page($content)), array_map(Seat::of(...), $seats)),
    );
}

/**
 * A ruled table with what stands in its cells, from the top.
 *
 * @param list<int> $lefts of its columns, and the right edge
 * @param list<list<string>> $rows
 */
function tableOf(array $lefts, array $rows, int $top = 500, int $high = 30, bool $small = false): string
{
    $drawn = '';
    [$left, $right] = [$lefts[0], $lefts[count($lefts) - 1]];
    $foot = $top - $high * count($rows);
    for ($y = $top; $y >= $foot; $y -= $high) {
        $drawn .= "0.7 w {$left} {$y} m {$right} {$y} l S\n";
    }
    foreach ($lefts as $x) {
        $drawn .= "0.7 w {$x} {$top} m {$x} {$foot} l S\n";
    }
    foreach ($rows as $row => $cells) {
        foreach ($cells as $column => $text) {
            $at = $top - $high * $row - ($small && $column > 0 ? 9 : intdiv($high, 2) + 3);
            $text === '' || ($drawn .= MadePdf::text($lefts[$column] + 5, $at, $text, $small && $column > 0 ? 7 : 10));
        }
    }

    return $drawn;
}

it('finds who signs in a table whose columns name them', function () {
    $content = MadePdf::text(72, 540, 'Signed by the parties:', 10).
        tableOf([60, 230, 320, 440, 540], [['PURCHASER', 'DATE', 'SELLER', 'DATE'], ['', '', '', ''], ['', '', '', '']]);
    expect(marksAsked($this->scratch, $content))->toBe([
        'signature buyer.1', 'date buyer.1', 'signature seller.1', 'date seller.1',
        'signature buyer.2', 'date buyer.2', 'signature seller.2', 'date seller.2',
    ]);
});

it('takes a table of who pays what for no place to sign', function () {
    $content = MadePdf::text(72, 540, 'Who pays. Both sign below.', 10).
        tableOf([60, 230, 350, 470], [['Item', 'Buyer', 'Seller'], ['Survey', '', ''], ['Pest inspection', '', '']]);
    expect(marksAsked($this->scratch, $content))->toBe([]);
});

it('takes a table of names for no place to sign', function () {
    $content = MadePdf::text(72, 540, 'The brokerages that sign this agreement:', 10).
        tableOf([60, 260, 460], [['Brokerage', 'Licensee'], ['', ''], ['', '']], high: 20);
    expect(marksAsked($this->scratch, $content))->toBe([]);
});

it('finds who signs in a table whose rows name them and whose cells say what they are for', function () {
    $content = tableOf(
        [60, 140, 320, 440, 540],
        [
            ['Seller 1', 'Signature', 'Printed name', 'Date'],
            ['Seller 2', 'Signature', 'Printed name', 'Date'],
            ['Buyer 1', 'Signature', 'Printed name', 'Date'],
        ],
        high: 38,
        small: true,
    );
    expect(marksAsked($this->scratch, $content))->toBe([
        'signature seller.1', 'name seller.1', 'date seller.1',
        'signature seller.2', 'name seller.2', 'date seller.2',
        'signature buyer.1', 'name buyer.1', 'date buyer.1',
    ]);
});

it('reads further ways to say who signs a line', function (array $lines, array $expected) {
    $content = '';
    foreach ($lines as $index => $line) {
        $content .= MadePdf::text(60, 500 - 28 * $index, $line, 10);
    }
    expect(marksAsked($this->scratch, $content))->toBe($expected);
})->with([
    'in brackets after it, with a date of three blanks' => [
        [
            'IN WITNESS WHEREOF:',
            "X______________________________ (Seller's signature)     ____/____/______",
            "X______________________________ (Purchaser's signature)  ____/____/______",
        ],
        ['signature seller.1', 'date seller.1', 'signature buyer.1', 'date buyer.1'],
    ],
    'a company over it' => [
        ['GREYWATER HOLDINGS, LLC', 'By: ______________________________', 'Title: _____________________________'],
        ['signature ? GREYWATER HOLDINGS, LLC', 'capacity ? GREYWATER HOLDINGS, LLC'],
    ],
    'a firm, and by whom' => [
        ['Signed and accepted:', 'Broker/Firm: ______________________  By: ______________________'],
        ['signature agent.1'],
    ],
    'by somebody for them' => [
        ['Seller, by attorney-in-fact ______________________________ (print) ______________________', 'Signed above.'],
        ['signature seller.1', 'name seller.1'],
    ],
    'nothing but roles, after it was said that they received it' => [
        ['ACKNOWLEDGMENT of receipt', 'Tenant: ______________________ Tenant: ______________________'],
        ['signature buyer.1', 'signature buyer.2'],
    ],
    'nothing but roles at the head of a paper' => [
        ['DISCLOSURE', 'Buyer: ______________________ Seller: ______________________', 'They sign on the next page.'],
        [],
    ],
    'a date in a sentence is none of signing' => [
        ['The buyer signed an offer. It expires ___/___/____ at noon.'],
        [],
    ],
]);
