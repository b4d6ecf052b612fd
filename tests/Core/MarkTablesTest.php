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
    'somebody who acknowledges, with a date' => [
        ['Escrow officer acknowledges receipt: ______________________________ Date/Time: ________________'],
        ['signature ? escrow officer', 'date ? escrow officer'],
    ],
    'firms under each other, and by whom' => [
        [
            'Listing firm: ______________________                 by: ______________________',
            'Selling firm: ______________________                 by: ______________________',
        ],
        ['signature agent.1', 'signature ? selling firm', 'company agent.1'],
    ],
    'a date in a sentence is none of signing' => [
        ['The buyer signed an offer. It expires ___/___/____ at noon.'],
        [],
    ],
]);

it('finds who signs in a table whose first column is called by them and whose heads say what each cell is for', function () {
    $content = tableOf(
        [60, 180, 280, 380, 440, 500],
        [
            ['Capacity', 'Full name', 'Signature', 'Date', 'Initials'],
            ['Buyer', '', '', '', ''],
            ['Co-Buyer', '', '', '', ''],
            ['Witness', '', '', '', ''],
        ],
    ).MadePdf::text(60, 360, 'Rejected. Seller’s initials below, or they countered on a form of their own.', 10);
    expect(marksAsked($this->scratch, $content))->toBe([
        'name buyer.1', 'signature buyer.1', 'date buyer.1', 'initials buyer.1',
        'name buyer.2', 'signature buyer.2', 'date buyer.2', 'initials buyer.2',
        'name ? witness', 'signature ? witness', 'date ? witness', 'initials ? witness',
    ]);
});

/** A row of dots that is drawn, not written. */
function dots(int $left, int $right, int $y): string
{
    $drawn = '';
    for ($x = $left; $x < $right; $x += 3) {
        $drawn .= "{$x} {$y} 1.5 1 re f\n";
    }

    return $drawn;
}

/** Two lists of who signs, each under its heading, on rows of dots. */
function dottedLists(): string
{
    $content = MadePdf::text(60, 560, 'Purchaser(s)', 12).MadePdf::text(60, 460, 'Received by Owner(s)', 12);
    foreach ([530 => 1, 505 => 2, 430 => 1, 405 => 2] as $y => $number) {
        $content .= MadePdf::text(60, $y, "{$number})", 11).dots(80, 300, $y).MadePdf::text(310, $y, 'Date', 11).dots(340, 440, $y);
    }

    return $content;
}

const DOTTED_LISTS = [
    'signature buyer.1', 'date buyer.1', 'signature buyer.2', 'date buyer.2',
    'signature seller.1', 'date seller.1', 'signature seller.2', 'date seller.2',
];

it('finds lines that are drawn as dots, each list under the heading that says who signs it', function () {
    expect(marksAsked($this->scratch, dottedLists()))->toBe(DOTTED_LISTS);
});

it('finds lines of dots on a scan', function () {
    $scan = MadePdf::scan(MadePdf::page(dottedLists()), $this->scratch);
    $seats = array_map(Seat::of(...), ['buyer.1', 'buyer.2', 'seller.1', 'seller.2']);
    $found = MarkFinder::in($this->scratch->put('scan.pdf', $scan), $seats, scans: true);
    expect(array_map(static fn (ProposedMark $mark) => "{$mark->kind->value} {$mark->seat}", $found))->toBe(DOTTED_LISTS);
});

it('gives a date between two signatures to the one over it, as the last date is', function () {
    $content = MadePdf::text(72, 620, 'SELLER', 11);
    foreach ([590, 430] as $y) {
        $content .= MadePdf::text(72, $y, '______________________________', 11).MadePdf::text(72, $y - 18, '(Signature)', 11).
            MadePdf::text(72, $y - 60, '______________________________', 11).MadePdf::text(72, $y - 78, '(Print name)', 11).
            MadePdf::text(72, $y - 120, 'Dated: ____________________', 11);
    }
    expect(marksAsked($this->scratch, $content))->toBe([
        'signature seller.1', 'name seller.1', 'date seller.1', 'signature seller.2', 'name seller.2', 'date seller.2',
    ]);
});

it('takes what a date looks like, and “When”, for its caption', function (string $caption) {
    $content = MadePdf::text(60, 505, 'X', 10).'0.7 w 72 500 m 270 500 l S 310 500 m 410 500 l S '.
        MadePdf::text(72, 488, 'Buyer', 10).MadePdf::text(312, 488, $caption, 10);
    expect(marksAsked($this->scratch, $content))->toBe(['signature buyer.1', 'date buyer.1']);
})->with(['mm/dd/yyyy', '(MM-DD-YY)', 'When:', 'Month/Day/Year']);

it('asks of whom brackets before a line name, and begins initials anew after a sentence', function () {
    $rejected = 'Rejected. Seller’s initials: ____  ____  Countered on the form beneath. Seller’s initials: ____  ____';
    $content = MadePdf::text(60, 520, $rejected, 9).
        MadePdf::text(60, 480, 'Presented to seller by (agent signature) ______________________________', 9);
    expect(marksAsked($this->scratch, $content))->toBe([
        'initials seller.1', 'initials seller.2', 'initials seller.1', 'initials seller.2', 'signature agent.1',
    ]);
});

it('parts a line under which somebody and a date are named', function () {
    $content = MadePdf::text(64, 540, 'They agree that the contract is void.', 10).'0.7 w 58 500 m 296 500 l S '.
        MadePdf::text(64, 492, 'SELLER', 7).MadePdf::text(164, 492, 'DATE', 7);
    expect(marksAsked($this->scratch, $content))->toBe(['signature seller.1', 'date seller.1']);
});

it('finds small boxes for initials in the foot of a scan', function () {
    $content = MadePdf::text(72, 700, 'The parties initial each page of this contract, and sign the last one.', 11).
        MadePdf::text(300, 40, 'Buyer', 10).MadePdf::text(440, 40, 'Seller', 10).'0.8 w ';
    foreach ([335, 365, 480, 510] as $left) {
        $content .= "{$left} 36 26 15 re S ";
    }
    $scan = MadePdf::scan(MadePdf::page($content), $this->scratch);
    $seats = array_map(Seat::of(...), ['buyer.1', 'buyer.2', 'seller.1', 'seller.2']);
    $found = MarkFinder::in($this->scratch->put('scan.pdf', $scan), $seats, scans: true);
    expect(array_map(static fn (ProposedMark $mark) => "{$mark->kind->value} {$mark->seat}", $found))
        ->toBe(['initials buyer.1', 'initials buyer.2', 'initials seller.1', 'initials seller.2']);
});

it('writes in the empty cell beside a label, however high the label stands in its own', function () {
    $drawn = tableOf([52, 180, 310, 390, 490], [['', '', '', ''], ['', '', '', '']], 500, 25);
    foreach ([[489, 'Signature of buyer', 'Date'], [464, 'Printed name', 'Time']] as [$y, $first, $second]) {
        $drawn .= MadePdf::text(57, $y, $first, 10).MadePdf::text(315, $y, $second, 10);
    }
    $found = MarkFinder::in(
        $this->scratch->put('labels.pdf', MadePdf::page(MadePdf::text(50, 600, 'The parties agree. Signed below.', 10).$drawn)),
        [Seat::of('buyer.1')],
    );
    expect(array_map(static fn (ProposedMark $one) => "{$one->kind->value} from {$one->place->x}", $found))->toBe([
        'signature from 181.5', 'date from 391.5', 'name from 181.5', 'time from 391.5',
    ]);
});

it('takes initials by what is said after each box, where nothing is said before the first', function () {
    $drawn = MadePdf::text(50, 600, 'The parties agree to the change and sign it on the next page.', 10);
    foreach (["Purchaser's initials", "Purchaser's initials", "Vendor's initials", "Vendor's initials"] as $n => $said) {
        $x = 60 + $n * 120;
        $drawn .= "0.7 w {$x} 40 34 18 re S\n".MadePdf::text($x + 38, 46, $said, 8);
    }
    expect(marksAsked($this->scratch, $drawn))
        ->toBe(['initials buyer.1', 'initials buyer.2', 'initials seller.1', 'initials seller.2']);
});

it('takes two pairs of brackets beside each other for initials where the row speaks of them', function () {
    $drawn = MadePdf::text(50, 600, 'The parties agree to the change and sign it on the next page.', 10);
    $pairs = '(      ) (      )';
    expect(marksAsked($this->scratch, $drawn.MadePdf::text(50, 200, "{$pairs} Buyer's initials", 10)))
        ->toBe(['initials buyer.1', 'initials buyer.2'])
        ->and(marksAsked($this->scratch, $drawn.MadePdf::text(50, 200, "{$pairs} Buyer keeps the deposit", 10)))->toBe([]);
});

it('takes a role’s lines for signatures over a line for the printed name, and “By” under a firm for the firm’s', function () {
    $line = static fn (int $y, string $said, int $from = 110, int $to = 330) => MadePdf::text(50, $y, $said, 10).
        "0.7 w {$from} {$y} m {$to} {$y} l S\n";
    $drawn = MadePdf::text(50, 730, 'The parties agree to the change.', 10).
        $line(700, 'BUYER').$line(676, 'BUYER').$line(652, '(Print name)').
        $line(560, 'Real Estate Broker (Listing Firm)', 210, 330).
        $line(530, 'By', 70, 200).MadePdf::text(205, 530, 'License #', 10)."0.7 w 255 530 m 320 530 l S\n".
        MadePdf::text(325, 530, 'Date', 10)."0.7 w 350 530 m 420 530 l S\n";
    expect(marksAsked($this->scratch, $drawn, ['buyer.1', 'buyer.2', 'seller.1', 'broker.1']))->toBe([
        'signature buyer.1', 'signature buyer.2', 'name buyer.2', 'signature broker.1', 'date broker.1', 'text broker.1',
    ]);
});

it('reads whom it is accepted or confirmed by', function (string $said) {
    $drawn = MadePdf::text(50, 600, 'The parties agree to the change.', 10).MadePdf::text(50, 300, $said, 10).
        "0.7 w 230 298 m 360 298 l S\n".MadePdf::text(370, 300, 'Date:', 10)."0.7 w 400 298 m 470 298 l S\n";
    expect(marksAsked($this->scratch, $drawn, ['buyer.1', 'broker.1']))->toBe(['signature broker.1', 'date broker.1']);
})->with(['Accepted by Brokerage:', 'Received and approved by the broker:', 'Broker accepts and agrees:']);
