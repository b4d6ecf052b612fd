<?php

declare(strict_types=1);

use Unanimus\Access\RecoveryCodes;
use Unanimus\Access\Totp;
use Unanimus\Dates\LocalDate;
use Unanimus\Exchange\ColumnMatch;
use Unanimus\Exchange\ImportRow;
use Unanimus\Exchange\Listing;
use Unanimus\Exchange\Sheet;
use Unanimus\Exchange\SheetUnreadable;
use Unanimus\Exchange\Vcard;

it('reads one table from every kind of file', function (callable $write) {
    $lines = [
        'Address|Buyer|Price',
        '14 Lanternfish Lane|"Eide; Sunniva, and ""José"""|"412,500"',
        '',
        '9 Netloft Lane|Nguyễn-Ortiz|"two'."\n".'lines"',
    ];
    $sheet = Sheet::read($write($lines));
    expect($sheet->headings)
        ->toBe(['Address', 'Buyer', 'Price'])
        ->and(array_values($sheet->rows))
        ->toBe([['14 Lanternfish Lane', 'Eide; Sunniva, and "José"', '412,500'], ['9 Netloft Lane', 'Nguyễn-Ortiz', "two\nlines"]]);
})->with([
    'commas' => [fn (array $lines) => implode("\n", str_replace('|', ',', $lines))],
    'semicolons and CRLF' => [fn (array $lines) => implode("\r\n", str_replace('|', ';', $lines))],
    'tabs and CR' => [fn (array $lines) => str_replace("\n", "\r", implode("\n", str_replace('|', "\t", $lines)))],
    'byte order mark' => [fn (array $lines) => "\u{FEFF}".implode("\n", str_replace('|', ',', $lines))],
    'UTF-16 little' => [
        fn (array $lines) => "\xFF\xFE".mb_convert_encoding(implode("\r\n", str_replace('|', ';', $lines)), 'UTF-16LE', 'UTF-8'),
    ],
    'UTF-16 big' => [
        fn (array $lines) => "\xFE\xFF".mb_convert_encoding(implode("\n", str_replace('|', ',', $lines)), 'UTF-16BE', 'UTF-8'),
    ],
    'told separator' => [fn (array $lines) => "sep=|\n".implode("\n", $lines)],
]);

it('reads Windows letters', fn () => expect(Sheet::read("Buyer\nJos\xE9 \x96 Ortiz\n")->rows)->toBe([2 => ['José – Ortiz']]));

it('refuses what is no table, in words', function (string $bytes, string $told) {
    expect(fn () => Sheet::read($bytes))->toThrow(SheetUnreadable::class, $told);
})->with([
    ['', 'has no rows'],
    ['only a heading', 'has no rows'],
    ["PK\x03\x04 rest", 'workbook'],
    ["a,b\n1,\0", 'no table of text'],
    [str_repeat('x', Sheet::MOST_BYTES + 1), 'larger than 8 MB'],
    [str_repeat('a,', 90)."\n1", 'too large'],
    ["a\n".str_repeat("1\n", 5100), 'too large'],
]);

it('keeps rows at their numbers, short ones filled up', fn () => expect(Sheet::read("a,b,c\n\n1,2\n")->rows)->toBe([3 => ['1', '2', '']]));

it('proposes what columns hold, remembers, and matches nothing twice', function () {
    expect(
        ColumnMatch::propose([
            'Property Address',
            'CLOSE DATE',
            'Buyer',
            'Buyer',
            'Colour',
            'Price',
            'ZIP code',
            'Year built',
            'Earnest money',
        ]),
    )
        ->toBe(['address', 'closing', 'buyer.1.name', '', '', 'price', 'property.zip', 'property.year_built', 'earnest_money'])
        ->and(ColumnMatch::propose(['Colour', 'Price'], ['colour' => 'labels', 'price' => 'list_price']))
        ->toBe(['labels', 'list_price']);
});

$row = static fn (array $given) => ImportRow::read(array_values($given), array_keys($given), LocalDate::of('2026-11-23'));

it('reads a row as a file', function () use ($row) {
    $read = $row([
        'address' => '77 Millrace Court Apt 3B, Pellingford, MW 20410',
        'represents' => 'Listing',
        'status' => 'Pending',
        'seller.1.name' => 'Idris Vantongeren',
        'seller.1.email' => 'idris@v.example',
        'price' => '$287k',
        'closing' => '12/18/2026',
        'financing' => 'Conv.',
        'property.septic' => 'N',
        'labels' => 'relocation; probate',
        'agent' => 'Priya Anand',
        '' => 'left',
    ]);
    expect($read->faults)
        ->toBe([])
        ->and($read->represents->value)
        ->toBe('seller')
        ->and($read->status->value)
        ->toBe('under_contract')
        ->and($read->labels)
        ->toBe(['relocation', 'probate'])
        ->and($read->parties)
        ->toBe(['seller.1' => ['name' => 'Idris Vantongeren', 'email' => 'idris@v.example']])
        ->and($read->facts)
        ->toMatchArray([
            'price' => '287000.00',
            'closing' => '2026-12-18',
            'financing' => 'conventional',
            'property.septic' => 'no',
            'property.street' => '77 Millrace Court',
            'property.unit' => 'Apt 3B',
            'property.zip' => '20410',
        ]);
});

it('says of a row what cannot be read', function (array $given, string $told) use ($row) {
    expect(implode(' ', $row($given)->faults))->toContain($told);
})->with([
    [['price' => 'a lot', 'address' => '1 A Street'], 'Price'],
    [['closing' => 'soonish'], 'Closing'],
    [['represents' => 'upside', 'address' => '1 A Street'], 'no side known'],
    [['status' => 'sleeping', 'address' => '1 A Street'], 'no status known'],
    [['buyer.1.name' => 'x', 'buyer.1.email' => 'nowhere'], 'not an email address'],
    [['labels' => 'x'], 'no address, name, or listing number'],
    [['financing' => 'barter', 'address' => '1 A Street'], 'none of cash'],
]);

it(
    'tells a row with more cells than columns',
    fn () => expect(ImportRow::read(['1 A Street', 'x'], ['address'], LocalDate::of('2026-11-23'))->faults[0])->toContain('more cells'),
);

it('writes people as vCards and reads them again', function () {
    $cards = [
        new Vcard('José Nguyễn-Ortiz', 'Ortiz; Sons, Ltd.', 'jose@eide.example', '555-0142', '14 Lanternfish Lane, Tidewick'),
        new Vcard('Sunniva Eide'),
    ];
    expect(Vcard::read(Vcard::write($cards))->cards)
        ->toEqual($cards)
        ->and(max(array_map(strlen(...), explode("\r\n", Vcard::write([new Vcard(str_repeat('Nguyễn ', 15))])))))
        ->toBeLessThanOrEqual(75);
});

it('reads vCards of other makers', function (string $text, Vcard $expected) {
    expect(Vcard::read($text)->cards)->toEqual([$expected]);
})->with([
    '2.1, quoted' => [
        "BEGIN:VCARD\r\nVERSION:2.1\r\nN;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:=C3=98stergaard;Mina;;;\r\n".
            "TEL;CELL:555-0100\r\nEMAIL;INTERNET:mina@o.example\r\nEND:VCARD\r\n",
        new Vcard('Mina Østergaard', '', 'mina@o.example', '555-0100'),
    ],
    '2.1, quoted in letters of its own' => [
        "BEGIN:VCARD\r\nVERSION:2.1\r\nN;CHARSET=ISO-8859-1;ENCODING=QUOTED-PRINTABLE:=D6sterg=E5rd-=\r\nHolm;Mina\r\nEND:VCARD\r\n",
        new Vcard('Mina Östergård-Holm'),
    ],
    '3.0, grouped and folded' => [
        "BEGIN:VCARD\nVERSION:3.0\nFN:Nadia\n  Petrov\nitem1.EMAIL;type=WORK:nadia@a.example\nORG:Anchorfield\\, ".
            "Title;Closing\nADR;TYPE=work:;;1 Quay;Tidewick;MW;20417;\nPHOTO;ENCODING=b:AAAA\nEND:VCARD",
        new Vcard('Nadia Petrov', 'Anchorfield, Title', 'nadia@a.example', '', '1 Quay, Tidewick, MW, 20417'),
    ],
    '4.0, addresses' => [
        "BEGIN:VCARD\nVERSION:4.0\nFN:Owen Gallagher\nEMAIL:mailto:owen@b.example\nTEL;VALUE=uri:tel:555-0172\nEND:VCARD",
        new Vcard('Owen Gallagher', '', 'owen@b.example', '555-0172'),
    ],
]);

it('lets no card swallow another, and says what it could not read', function () {
    $photo = chunk_split(base64_encode(random_bytes(3000)), 72, "\r\n ");
    $text = "BEGIN:VCARD\r\nVERSION:2.1\r\nN:Eide;Sunniva\r\nPHOTO;ENCODING=BASE64;TYPE=JPEG:\r\n ".
        "{$photo}\r\n\r\nEND:VCARD\r\nBEGIN:VCARD\r\nVERSION:3.0\r\nFN:Cut off\r\nBEGIN:VCARD\r\nVERSION:4.0\r\nFN:Owen ".
        "Gallagher\r\nEMAIL;PREF=2:second@b.example\r\nEMAIL;PREF=1:owen@b.example\r\nEND:VCARD\r\n";
    $read = Vcard::read($text);
    expect(array_map(static fn (Vcard $card) => $card->name, $read->cards))
        ->toBe(['Sunniva Eide', 'Owen Gallagher'])
        ->and($read->cards[1]->email)
        ->toBe('owen@b.example')
        ->and($read->broken)
        ->toBe(1)
        ->and($read->told())
        ->toContain('One card could not be read')
        ->toContain('second addresses');
});

it('reads cards in other letters', function (string $bytes) {
    expect(Vcard::read($bytes)->cards[0]->name)->toBe('José Nguyễn');
})->with([
    'UTF-16 little' => [
        fn () => "\xFF\xFE".mb_convert_encoding("BEGIN:VCARD\r\nVERSION:3.0\r\nFN:José Nguyễn\r\nEND:VCARD\r\n", 'UTF-16LE', 'UTF-8'),
    ],
    'UTF-16 big, no mark' => [
        fn () => mb_convert_encoding("BEGIN:VCARD\r\nVERSION:3.0\r\nFN:José Nguyễn\r\nEND:VCARD\r\n", 'UTF-16BE', 'UTF-8'),
    ],
    'a byte order mark' => [fn () => "\u{FEFF}BEGIN:VCARD\nVERSION:3.0\nFN:José Nguyễn\nEND:VCARD"],
]);

it(
    'reads letters of one line by what the line says',
    fn () => expect(Vcard::read("BEGIN:VCARD\nVERSION:2.1\nFN;CHARSET=ISO-8859-1:Jos\xE9\nEND:VCARD")->cards[0]->name)->toBe('José'),
);

it('takes no address that could carry more than itself', function () {
    $read = Vcard::read("BEGIN:VCARD\nVERSION:4.0\nFN:Bad\\nBcc: all@x.example\nEMAIL:a@b.example\\nBcc: all@x.example\nTEL:1\nEND:VCARD");
    expect($read->cards[0]->email)->toBe('')->and($read->cards[0]->name)->not->toContain("\n");
});

it('says how many cards it left out', function () {
    $read = Vcard::read(str_repeat("BEGIN:VCARD\nVERSION:4.0\nFN:A B\nEND:VCARD\n", Vcard::MOST + 7));
    expect($read->cards)->toHaveCount(Vcard::MOST)->and($read->over)->toBe(7)->and($read->told())->toContain('7 more were left out');
});

it('tells of rows that are too short or too long, by their line', function () {
    $sheet = Sheet::read("a,b,c\n1,2\n\"x\ny\",2,3\n1,2,3,4\n5,6,7\n");
    expect(array_keys($sheet->rows))
        ->toBe([2, 3, 5, 6])
        ->and($sheet->rows[5])
        ->toBe(['1', '2', '3', '4'])
        ->and($sheet->warnings[0])
        ->toContain('Line 2 has fewer')
        ->and($sheet->warnings[1])
        ->toContain('Line 5 has more');
});

it('swallows no rows behind a quote that never ends, and garbles no letters', function (string $bytes, string $told) {
    expect(static fn () => Sheet::read($bytes))->toThrow(SheetUnreadable::class, $told);
})->with([
    'a quote' => ["a,b\n1,2\n\"never,ends\n3,4\n5,6", 'begins in line 3 never ends'],
    'bytes' => ["a,b\nJos\u{E9},2\nbroken \xE9\xFF here,3\n", 'Line 3 has letters'],
]);

it(
    'takes a quote in the middle of a cell as it stands',
    fn () => expect(Sheet::read("a,b\n12\" pipe,\"he said \"\"no\"\"\"\n")->rows)->toBe([2 => ['12" pipe', 'he said "no"']]),
);

it('finds no people where there are none', fn (string $text) => expect(Vcard::read($text)->cards)->toBe([]))->with([
    '',
    'hello',
    "BEGIN:VCARD\nTEL:1\nEND:VCARD",
    "BEGIN:VCARD\nFN:cut",
]);

it('computes codes as RFC 6238 appendix B gives them', function (int $time, string $code) {
    $totp = Totp::of('GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ');
    expect($totp->code(Totp::step($time), 8))->toBe($code);
})->with([
    [59, '94287082'],
    [1111111109, '07081804'],
    [1111111111, '14050471'],
    [1234567890, '89005924'],
    [2000000000, '69279037'],
    [20000000000, '65353130'],
]);

it('takes a code once, also from a clock that goes half a minute wrong', function () {
    $totp = Totp::of('GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ');
    $now = 1764000000;
    $step = Totp::step($now);
    expect($totp->accepts(' '.substr($totp->code($step), 0, 3).' '.substr($totp->code($step), 3), $now))
        ->toBe($step)
        ->and($totp->accepts($totp->code($step), $now, $step))
        ->toBeNull()
        ->and($totp->accepts($totp->code($step - 1), $now))
        ->toBe($step - 1)
        ->and($totp->accepts($totp->code($step + 2), $now))
        ->toBeNull()
        ->and($totp->accepts('', $now))
        ->toBeNull();
});

it('writes a secret so that it reads back', function () {
    for ($i = 0; $i < 50; $i++) {
        $totp = Totp::fresh();
        expect(Totp::of(strtolower(chunk_split($totp->secret(), 4, ' ')))->code(7))
            ->toBe($totp->code(7))
            ->and(strlen($totp->secret()))
            ->toBe(32);
    }
    expect(Totp::of('GEZDGNBVGY3TQOJQ')->address('Unanimus', 'a b@c.example'))
        ->toBe('otpauth://totp/Unanimus:a%20b%40c.example?secret=GEZDGNBVGY3TQOJQ&issuer=Unanimus')
        ->and(fn () => Totp::of('1'))
        ->toThrow(InvalidArgumentException::class);
});

it('spends a recovery code once', function () {
    $codes = RecoveryCodes::fresh();
    $hashes = RecoveryCodes::hashes($codes);
    $left = RecoveryCodes::spend(strtoupper(str_replace('-', ' ', $codes[3])), $hashes);
    expect(array_unique($codes))
        ->toHaveCount(10)
        ->and($left)
        ->toHaveCount(9)
        ->and(RecoveryCodes::spend($codes[3], $left))
        ->toBeNull()
        ->and(RecoveryCodes::spend('', $hashes))
        ->toBeNull();
});

it('reads what a listing says of a property, and what differs from the file', function () {
    $listing = Listing::fromReso([
        'ListingId' => 'TR-26-1',
        'StreetNumber' => '8',
        'StreetName' => 'Gannet',
        'StreetSuffix' => 'Steps',
        'PropertySubType' => 'Condominium',
        'WaterSource' => ['Well'],
        'Sewer' => ['Public Sewer'],
        'LivingArea' => 1840.0,
        'ListPrice' => 274500,
        'NewConstructionYN' => false,
    ]);
    expect($listing->facts)
        ->toMatchArray([
            'property.kind' => 'condo',
            'property.well' => 'yes',
            'property.septic' => 'no',
            'property.area' => '1840',
            'property.new_construction' => 'no',
        ])
        ->and(
            $listing->differences([
                'property.street' => '8 Gannet Steps',
                'property.kind' => 'townhouse',
                'property.well' => 'yes',
                'property.septic' => 'no',
                'property.area' => '1840',
                'property.new_construction' => 'no',
                'list_price' => '274500.00',
            ]),
        )
        ->toBe(['property.kind' => ['there' => 'townhouse', 'here' => 'condo']]);
});
