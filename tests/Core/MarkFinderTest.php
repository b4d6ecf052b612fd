<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Unanimus\Forms\Library;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\MarkFinder;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\ProposedMark;
use Unanimus\Signing\Seat;

beforeEach(fn () => ($this->scratch = new Scratch()));

/** @param  list<string>  $seats @return list<string> "kind seat", in order */
function placesOn(Scratch $scratch, string $content, array $seats = ['buyer.1', 'buyer.2', 'seller.1', 'agent.1']): array
{
    $found = MarkFinder::in($scratch->put('paper.pdf', MadePdf::page($content)), array_map(Seat::of(...), $seats));

    return array_map(
        static fn (ProposedMark $mark) => $mark->kind->value.' '.($mark->seat ?? "? {$mark->word}"),
        $found,
    );
}

/**
 * Lines of text and ruled lines: "text at x,y" as written, [x1, x2, y] as ruled.
 *
 * @param list<array{int, int, string}|array{int, int, int}> $parts
 */
function pageWith(array $parts): string
{
    return implode('', array_map(
        static fn (array $part) => is_string($part[2])
            ? MadePdf::text($part[0], $part[1], $part[2], 10)
            : "0.7 w {$part[0]} {$part[2]} m {$part[1]} {$part[2]} l S\n",
        $parts,
    ));
}

it('finds signatures and their dates from the words beside them', function (array $parts, array $expected) {
    expect(placesOn($this->scratch, pageWith($parts)))->toBe($expected);
})->with([
    'underscores after the role, the date beside' => [
        [
            [72, 300, 'Buyer: ______________________________  Date: ______________'],
            [72, 270, 'Buyer: ______________________________  Date: ______________'],
            [72, 240, 'Seller: ______________________________  Date: ______________'],
        ],
        ['signature buyer.1', 'date buyer.1', 'signature buyer.2', 'date buyer.2', 'signature seller.1', 'date seller.1'],
    ],
    'ruled lines with captions under them' => [
        [
            [72, 280, 300],
            [300, 400, 300],
            [72, 289, 'Purchaser’s signature'],
            [300, 289, 'Date signed'],
            [72, 280, 250],
            [300, 400, 250],
            [72, 239, 'Licensee'],
            [300, 239, 'Date'],
        ],
        ['signature buyer.1', 'date buyer.1', 'signature agent.1', 'date agent.1'],
    ],
    'two columns under headings, the name and the date below' => [
        [
            [72, 340, 'PURCHASER:'],
            [320, 340, 'SELLER:'],
            [72, 270, 310],
            [320, 520, 310],
            [72, 299, 'Signature'],
            [320, 299, 'Signature'],
            [72, 270, 270],
            [320, 520, 270],
            [72, 259, 'Printed name'],
            [320, 259, 'Printed name'],
            [72, 270, 230],
            [320, 520, 230],
            [72, 219, 'Date'],
            [320, 219, 'Date'],
        ],
        ['signature buyer.1', 'signature seller.1', 'name buyer.1', 'name seller.1', 'date buyer.1', 'date seller.1'],
    ],
    'the date before the signature' => [
        [
            [72, 300, 'Date: ____________   Buyer: ______________________________'],
            [72, 270, 'Date: ____________   Seller: ______________________________'],
        ],
        ['date buyer.1', 'signature buyer.1', 'date seller.1', 'signature seller.1'],
    ],
    'one long line for both' => [
        [[72, 480, 300], [72, 289, 'Seller'], [380, 289, 'Date']],
        ['signature seller.1', 'date seller.1'],
    ],
    'somebody signs for a firm' => [
        [
            [72, 330, 'BROKER:'],
            [72, 300, 'By: ______________________________'],
            [72, 275, 'Its: ____________________'],
            [72, 250, 'Date: ______________   Time: __________'],
        ],
        ['signature agent.1', 'capacity agent.1', 'date agent.1', 'time agent.1'],
    ],
    'a name printed under the line' => [
        [[72, 300, 300], [72, 289, 'Sunniva Eide, Buyer'], [350, 450, 300], [350, 289, 'Date']],
        ['signature buyer.1', 'date buyer.1'],
    ],
    'in Spanish' => [
        [[72, 300, 'Comprador: ______________________________ Fecha: ____________']],
        ['signature buyer.1', 'date buyer.1'],
    ],
    'a word that names nobody' => [
        [[72, 300, 'Client: ______________________________ Date: ____________']],
        ['signature ? client', 'date ? client'],
    ],
]);

it('finds initials: after their word, in a foot, several in a row', function (array $parts, array $expected) {
    expect(placesOn($this->scratch, pageWith($parts)))->toBe($expected);
})->with([
    [
        [[72, 40, 'Buyer’s initials: ______ / ______    Seller’s initials: ______']],
        ['initials buyer.1', 'initials buyer.2', 'initials seller.1'],
    ],
    [
        [[72, 40, 'Buyer _____ _____'], [400, 40, 'Seller _____']],
        ['initials buyer.1', 'initials buyer.2', 'initials seller.1'],
    ],
    [
        [[300, 340, 50], [350, 390, 50], [300, 42, 'buyer 1'], [350, 42, 'seller 1']],
        ['initials buyer.1', 'initials seller.1'],
    ],
]);

it('leaves alone what is to be filled in, not signed', function (string $line) {
    expect(placesOn($this->scratch, MadePdf::text(72, 700, $line, 10)))->toBe([]);
})->with([
    'Closing date: ______________  Possession date: ______________',
    'Buyer name: ______________________  Property: ______________________',
    'This offer ends if it is not accepted by ______________ at ______________ on that day.',
    'The initial deposit of $______________ is paid to the escrow holder.',
    'The purchase price is $__________________________ in cash.',
    'See the signature page, which follows this one.',
]);

it('gives nobody a place who is not there, and calls the same people by what this deal calls them', function () {
    $two = pageWith(
        [
            [72, 300, 'Owner: ______________________________ Date: ____________'],
            [72, 270, 'Owner: ______________________________ Date: ____________'],
        ],
    );
    expect(placesOn($this->scratch, $two, ['seller.1']))
        ->toBe(['signature seller.1', 'date seller.1', 'signature ? owner 2', 'date ? owner 2'])
        ->and(placesOn($this->scratch, $two, ['landlord.1', 'landlord.2']))
        ->toBe(['signature landlord.1', 'date landlord.1', 'signature landlord.2', 'date landlord.2'])
        ->and(placesOn($this->scratch, $two, []))
        ->toBe(['signature seller.1', 'date seller.1', 'signature seller.2', 'date seller.2']);
});

it('says where a place is, from the lower left of the page', function () {
    $found = MarkFinder::in($this->scratch->put('paper.pdf', MadePdf::page(pageWith([[72, 280, 300], [72, 289, 'Buyer']]))));
    $told = $found[0]->toArray(792.0);
    expect([$told['page'], $told['kind'], $told['seat'], $told['word']])
        ->toBe([1, 'signature', 'buyer.1', 'buyer'])
        ->and(array_map(static fn (float $n) => (int) round($n), $told['rect']))
        ->toBe([72, 299, 280, 315])
        ->and($told['sure'])
        ->toBeGreaterThan(0.8);
});

it('finds on our own printed forms nearly every place that their makers meant, and hardly any other', function () {
    $library = new Library(dirname(__DIR__, 2).'/library');
    $count = ['meant' => 0, 'found' => 0, 'right' => 0, 'proposed' => 0, 'false' => 0];
    foreach (['M-101', 'M-104', 'M-201', 'M-215', 'M-231', 'M-301', 'OC-11'] as $number) {
        $form = $library->form($number);
        $seats = array_values(array_unique(array_map(static fn ($mark) => (string) $mark->seat, $form->marks)));
        $found = MarkFinder::in($form->pdf, array_map(Seat::of(...), $seats));
        foreach ($form->marks as $meant) {
            if ($meant->kind === MarkKind::Name) {
                continue;
            }
            $there = array_filter($found, static fn ($one) => $one->page === $meant->page && $one->place->overlaps($meant->place));
            $right = array_filter($there, static fn ($one) => $one->kind === $meant->kind && (string) $one->seat === (string) $meant->seat);
            $count['meant']++;
            $count['found'] += $there === [] ? 0 : 1;
            $count['right'] += $right === [] ? 0 : 1;
        }
        $count['proposed'] += count($found);
        $count['false'] += count(array_filter($found, static fn ($one) => array_filter(
            $form->marks,
            static fn ($meant) => $meant->page === $one->page && $meant->place->overlaps($one->place),
        ) === []));
    }
    expect($count['found'] / $count['meant'])
        ->toBeGreaterThanOrEqual(0.98)
        ->and($count['right'] / $count['meant'])
        ->toBeGreaterThanOrEqual(0.94)
        ->and($count['false'] / $count['proposed'])
        ->toBeLessThanOrEqual(0.02);
});

it('reads where a scan is signed, also where it lies askew on the glass', function (float $askew) {
    $content = pageWith([
        [72, 700, 'We agree to the terms that are set out above and have read all of them with care.'],
        [72, 560, 'Buyer signature'],
        [160, 380, 558],
        [400, 560, 'Date'],
        [430, 540, 558],
        [72, 500, 'Seller signature'],
        [160, 380, 498],
        [400, 500, 'Date'],
        [430, 540, 498],
    ]);
    [$sin, $cos] = [sin(deg2rad($askew)), cos(deg2rad($askew))];
    $scan = MadePdf::scan(MadePdf::page("{$cos} {$sin} ".-$sin." {$cos} 0 0 cm\n{$content}"), $this->scratch);
    $path = $this->scratch->put('glass.pdf', $scan);
    expect(MarkFinder::hasPictures($path))
        ->toBeTrue()
        ->and(MarkFinder::in($path))
        ->toBe([]);
    $found = MarkFinder::in($path, array_map(Seat::of(...), ['buyer.1', 'seller.1']), scans: true);
    expect(array_map(static fn (ProposedMark $mark) => "{$mark->kind->value} {$mark->seat}", $found))
        ->toBe(['signature buyer.1', 'date buyer.1', 'signature seller.1', 'date seller.1'])
        // On its line as it lies on the page, within two points.
        ->and(abs($found[0]->place->y + $found[0]->place->height - (792 - (558 * $cos + 270 * $sin))))
        ->toBeLessThan(3.0);
})->with(['straight' => [0.0], 'askew' => [0.8], 'the other way' => [-0.6]]);

it('reads a picture that makes a page of any size, and says where on that page', function (string $size, float $scale) {
    $page = MadePdf::page(pageWith([[72, 560, 'Buyer signature'], [160, 380, 558], [400, 560, 'Date'], [430, 540, 558]]));
    $path = $this->scratch->put('photo.pdf', MadePdf::scan($page, $this->scratch, $size));
    [$signature, $date] = MarkFinder::in($path, [Seat::of('buyer.1')], scans: true);
    expect($signature->kind)
        ->toBe(MarkKind::Signature)
        ->and($date->kind)
        ->toBe(MarkKind::Date)
        ->and(abs($signature->place->x - $scale * 160))
        ->toBeLessThan(2.5 * $scale)
        ->and(abs($signature->place->y + $signature->place->height - $scale * (792 - 558)))
        ->toBeLessThan(2.5 * $scale);
})->with([
    'as letter' => ['8.5inx11in', 1.0],
    'as large as a poster' => ['25.5inx33in', 3.0],
    'as small as a card' => ['4.25inx5.5in', 0.5],
]);

it('takes captions that stand one below the other in a cell for as many places', function () {
    $cell = "0.7 w 72 500 200 60 re S 272 500 200 60 re S\n".
        pageWith([[76, 550, 'Buyer'], [76, 520, 'Date'], [276, 550, 'Seller'], [276, 520, 'Date'], [72, 600, 'Signatures']]);
    expect(placesOn($this->scratch, $cell))
        ->toBe(['signature buyer.1', 'signature seller.1', 'date buyer.1', 'date seller.1']);
});

it('knows from the names of fields who signs, and whose printed name one is', function () {
    $fields = [
        'Buyer1Signature', 'Buyer1SignDate', 'buyer_2_signature', 'buyer_2_date', 'Buyer1PrintedName', 'closing_date', 'seller1Init',
    ];
    $all = implode(' ', array_map(static fn (int $nth) => (6 + $nth).' 0 R', array_keys($fields)));
    $objects = [
        1 => "<< /Type /Catalog /Pages 2 0 R /AcroForm << /Fields [{$all}] /DA (/Helv 0 Tf 0 g) >> >>",
        2 => '<< /Type /Pages /Kids [3 0 R] /Count 1 /MediaBox [0 0 612 792] >>',
        3 => '<< /Type /Page /Parent 2 0 R /Contents 4 0 R /Resources << /Font << /F 5 0 R >> >> '.
            "/Annots [{$all}] >>",
        4 => MadePdf::stream('', MadePdf::text(72, 720, 'Amendment of what the parties agreed upon')),
        5 => '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
    ];
    foreach ($fields as $nth => $name) {
        [$x, $y] = [72 + 240 * ($nth % 2), 600 - 40 * intdiv($nth, 2)];
        $right = $x + (str_ends_with($name, 'Init') ? 40 : 160);
        $objects[6 + $nth] = "<< /Type /Annot /Subtype /Widget /FT /Tx /T ({$name}) /Rect [{$x} {$y} {$right} ".($y + 18).'] /P 3 0 R >>';
    }
    $marks = MarkFinder::in(
        $this->scratch->put('fields.pdf', MadePdf::of($objects)),
        array_map(Seat::of(...), ['buyer.1', 'buyer.2', 'seller.1']),
    );

    expect(array_map(static fn (ProposedMark $mark) => "{$mark->kind->value} {$mark->seat}", $marks))->toBe([
        'signature buyer.1', 'date buyer.1', 'signature buyer.2', 'date buyer.2', 'name buyer.1', 'initials seller.1',
    ]);
});
