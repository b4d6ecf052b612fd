<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Tests\Support\MadeWorkbook;
use Unanimus\Exchange\Sheet;
use Unanimus\Forms\Library;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\ClosedOffice;
use Unanimus\Intake\Converter;
use Unanimus\Intake\Placeholder;
use Unanimus\Intake\Stack;
use Unanimus\Intake\StackPart;
use Unanimus\Intake\Workbook;
use Unanimus\Intake\WorkbookUnreadable;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\ToolFailed;

beforeEach(function () {
    $this->scratch = new Scratch();
    mkdir($this->scratch->path('cache'));
    $this->press = new Press(dirname(__DIR__, 2).'/library/fonts', $this->scratch->path('cache'));
    $this->converter = new Converter($this->press);
    $this->plain = fn () => $this->press->print([
        (new Drawing(612, 792))->text(72, 100, 12, 'Quillmark survey'),
        (new Drawing(612, 792))->text(72, 100, 12, 'Second'),
    ]);
    $this->take = fn (string $bytes, string $name = 'x') => $this->converter->toPdf($this->scratch->put($name, $bytes));
});

it('keeps a sound PDF as it came', function () {
    $bytes = ($this->plain)();
    $brought = ($this->take)($bytes);
    expect($brought->pdf)->toBe($bytes)->and($brought->pages)->toBe(2)->and($brought->notes)->toBe([]);
});

it('takes pictures, each on a sheet of its own', function (string $kind) {
    $picture = imagecreatetruecolor(900, 600);
    imagesavealpha($picture, true);
    imagefill($picture, 0, 0, (int) imagecolorallocatealpha($picture, 200, 120, 40, $kind === 'see-through' ? 90 : 0));
    $path = $this->scratch->path('picture');
    match ($kind) {
        'jpeg', 'heic', 'tiff' => imagejpeg($picture, $path),
        default => imagepng($picture, $path),
    };
    if ($kind === 'heic') {
        (new NativeTool())->run(['heif-enc', '-o', $this->scratch->path('p.heic'), $path]);
        $path = $this->scratch->path('p.heic');
    }
    $brought = $this->converter->toPdf($path);
    expect($brought->pages)
        ->toBe(1)
        ->and(PdfLook::into($this->scratch->put('out.pdf', $brought->pdf))->pages())
        ->toEqual([[792.0, 612.0]]);
})->with(['jpeg', 'png', 'see-through', 'heic']);

it('takes every page of a scanned TIFF', function () {
    $pages = 3;
    $pixels = str_repeat("\xff", 60 * 30).str_repeat("\x20", 60 * 30);
    $tiff = "II*\x00".pack('V', 8 + $pages * strlen($pixels));
    $tiff .= str_repeat($pixels, $pages).'    ';
    $tiff = "II*\x00".pack('V', strlen($tiff)).substr($tiff, 8);
    for ($page = 0; $page < $pages; $page++) {
        $tags = [
            [256, 3, 60],
            [257, 3, 60],
            [258, 3, 8],
            [259, 3, 1],
            [262, 3, 1],
            [273, 4, 8 + $page * strlen($pixels)],
            [277, 3, 1],
            [278, 3, 60],
            [279, 4, strlen($pixels)],
        ];
        $end = strlen($tiff) + 2 + 12 * count($tags) + 4;
        $tiff .=
            pack('v', count($tags)).
            implode(
                '',
                array_map(
                    fn (array $tag) => pack('vvV', $tag[0], $tag[1], 1).($tag[1] === 3 ? pack('vv', $tag[2], 0) : pack('V', $tag[2])),
                    $tags,
                ),
            ).
            pack('V', $page === $pages - 1 ? 0 : $end);
    }
    expect(($this->take)($tiff, 'scan.tif')->pages)->toBe(3);
});

it('takes Word texts', function () {
    $brought = ($this->take)('{\rtf1\ansi Terms of {\b Quillmark}\par}');
    expect((new NativeTool())->run(['pdftotext', $this->scratch->put('out.pdf', $brought->pdf), '-']))
        ->toContain('Terms of Quillmark')
        ->and($brought->notes)
        ->toBe(['It was converted from a Word document. Check its pages.']);
});

it('reads the first sheet of a workbook as CSV, and refuses in words what is none', function (string $kind) {
    $rows = [['Email', 'Cap'], ['tomas@quillmark.example', '16,000'], ['ana “A”, b', "two\nlines"]];
    $csv = Workbook::toCsv($kind === 'xlsx' ? MadeWorkbook::xlsx($rows) : MadeWorkbook::ods($rows));
    $read = array_values(Sheet::read($csv)->rows);
    expect($read[0])->toBe(['tomas@quillmark.example', '16,000'])
        ->and($read[1][0])->toBe('ana “A”, b')
        ->and(Workbook::toCsv("a,b\n1,2\n"))->toBe("a,b\n1,2\n")
        ->and(fn () => Workbook::toCsv("PK\x03\x04 and then nothing"))->toThrow(WorkbookUnreadable::class, 'could not be opened');
})->with(['xlsx', 'ods']);

it('converts one Word text at a time on a machine, and says that it is busy when a turn does not come', function () {
    $other = fopen(sys_get_temp_dir().'/unanimus-office.lock', 'c');
    flock($other, LOCK_EX);
    $path = $this->scratch->put('terms.doc', '{\rtf1\ansi Terms of Quillmark\par}');
    $waits = new Converter(press(), office: new ClosedOffice(1));
    expect(fn () => $waits->toPdf($path))->toThrow(BringRefused::class, 'too busy');
    fclose($other);
    expect($waits->toPdf($path)->pages)->toBe(1);
});

it('ends a program that takes more memory or processor time than it was given, beneath another too', function (array $begun) {
    $hungry = fn (string $code, string $written = '0', int $seconds = 20) => (new NativeTool($seconds, '0', [], $written))->run([
        ...$begun,
        PHP_BINARY,
        '-d',
        'memory_limit=-1',
        '-r',
        $code,
    ]);
    expect(fn () => $hungry('$x = str_repeat("x", 600 * 1024 * 1024); echo strlen($x);', '200M'))
        ->toThrow(ToolFailed::class)
        ->and(fn () => $hungry('while (true) { }', seconds: 1))
        ->toThrow(ToolFailed::class, $begun === [] ? 'worked longer' : '')
        ->and($hungry('echo strlen(str_repeat("x", 1024));', '400M'))
        ->toBe('1024');
})->with(['alone' => [[]], 'beneath another' => [['unshare', '-rnmpf', '--kill-child']]]);

it('takes out what starts, sends or moves, and says so', function () {
    $brought = ($this->take)(
        MadePdf::of([
            1 => '<< /Type /Catalog /Pages 2 0 R /OpenAction << /S /JavaScript /JS (app.alert(1)) >> /Names << /EmbeddedFiles << /Names '.
                '[(a) 6 0 R] >> /JavaScript << /Names [(b) 7 0 R] >> >> >>',
            2 => '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
            3 => '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 612 792] /AA << /O 7 0 R >> /Annots [4 0 R << /Type /Annot /Subtype '.
                '/FileAttachment /Rect [0 0 9 9] /FS 6 0 R >>] >>',
            4 => '<< /Type /Annot /Subtype /Link /Rect [0 0 90 90] /A << /S /Launch /F (run.exe) /Next << /S /URI /URI '.
                '(https://x.example) >> >> >>',
            6 => '<< /Type /Filespec /F (a.bin) >>',
            7 => '<< /S /JavaScript /JS (app.launchURL\(1\)) >>',
        ]),
    );
    $raw = (new NativeTool())->run(['qpdf', '--qdf', '--object-streams=disable', $this->scratch->put('clean.pdf', $brought->pdf), '-']);
    expect($raw)
        ->not->toContain('JavaScript')
        ->not->toContain('/JS')
        ->not->toContain('Launch')
        ->not->toContain('run.exe')
        ->not->toContain('EmbeddedFiles')
        ->not->toContain('FileAttachment')
        ->not->toContain('/AA')
        ->and($brought->notes)
        ->toContain('An action on opening was taken out.')
        ->toContain('Attached files were taken out.')
        ->toContain('Actions that start by themselves were taken out.')
        ->toContain('Links that start or send something were taken out.');
});

it('keeps what stands in fields when they become a part of the page', function () {
    $brought = ($this->take)(MadePdf::form());
    expect((new NativeTool())->run(['pdftotext', $this->scratch->put('out.pdf', $brought->pdf), '-']))
        ->toContain('old')
        ->toContain('Quoin')
        ->and($brought->notes)
        ->toBe(['Its 12 fields became a part of the page.', 'An XML form was taken out.']);
});

it('takes off a lock that needs no password, and refuses one that does', function () {
    $path = $this->scratch->put('plain.pdf', ($this->plain)());
    (new NativeTool())->run(['qpdf', '--encrypt', '', 'owner', '256', '--modify=none', '--', $path, $this->scratch->path('owner.pdf')]);
    (new NativeTool())->run(['qpdf', '--encrypt', 'user', 'owner', '256', '--', $path, $this->scratch->path('user.pdf')]);
    expect($this->converter->toPdf($this->scratch->path('owner.pdf'))->notes)
        ->toBe(['Its lock against printing or changing was taken off.'])
        ->and(fn () => $this->converter->toPdf($this->scratch->path('user.pdf')))
        ->toThrow(BringRefused::class, 'locked with a password');
});

it('refuses in words what it cannot take', function (string $what, string $told) {
    $bytes = match ($what) {
        'cut off' => substr(($this->plain)(), 0, 900),
        'text' => 'Dear all, please find attached',
        'nothing' => '',
        'noise' => random_bytes(4000),
        'half a picture' => (static function (): string {
            ob_start();
            imagepng(imagecreatetruecolor(400, 400));

            return substr((string) ob_get_clean(), 0, 60);
        })(),
        'tiny page' => MadePdf::of([
            1 => '<< /Type /Catalog /Pages 2 0 R >>',
            2 => '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
            3 => '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 20 20] >>',
        ]),
        'no pages' => MadePdf::of([1 => '<< /Type /Catalog /Pages 2 0 R >>', 2 => '<< /Type /Pages /Kids [] /Count 0 >>']),
        default => "PK\x03\x04".random_bytes(400),
    };
    expect(fn () => ($this->take)($bytes))->toThrow(BringRefused::class, $told);
})->with([
    ['cut off', 'cut off: its end is missing'],
    ['text', 'This is not a PDF'],
    ['nothing', 'This file is empty'],
    ['noise', 'This is not a PDF'],
    ['half a picture', 'damaged'],
    ['tiny page', 'smaller than an inch'],
    ['no pages', 'no pages'],
    ['zip', 'This is not a PDF'],
]);

it('answers every broken PDF with a clean one or a refusal, never otherwise', function () {
    mt_srand(20261123);
    $seeds = [($this->plain)(), MadePdf::form(), MadePdf::page(MadePdf::text(72, 700, 'Seed'))];
    for ($round = 0; $round < 60; $round++) {
        $bytes = $seeds[$round % 3];
        for ($hits = mt_rand(1, 30); $hits > 0; $hits--) {
            $at = mt_rand(0, strlen($bytes) - 1);
            $bytes = match (mt_rand(0, 3)) {
                0 => substr_replace($bytes, chr(mt_rand(0, 255)), $at, 1),
                1 => substr_replace($bytes, '', $at, mt_rand(1, 40)),
                2 => substr_replace($bytes, substr($bytes, mt_rand(0, $at), mt_rand(1, 60)), $at, 0),
                default => substr_replace($bytes, (string) mt_rand(0, 99999), $at, 2),
            };
        }
        try {
            $brought = ($this->take)($bytes, "fuzz-{$round}.pdf");
            expect($brought->pages)
                ->toBeGreaterThan(0)
                ->and(PdfLook::into($this->scratch->put('out.pdf', $brought->pdf))->pages())
                ->toHaveCount($brought->pages);
        } catch (BringRefused $refused) {
            expect($refused->getMessage())->not->toBe('')->not->toContain('qpdf');
        }
    }
});

it('knows an expected paper by the file\'s name or by its heading, and guesses nothing', function (
    string $name,
    string $text,
    ?string $key,
) {
    $expected = ['a' => 'Closing statement', 'b' => 'Earnest money receipt', 'c' => 'Closing statement copy'];
    expect(Placeholder::thatFits($expected, $name, $text))->toBe($key);
})->with([
    ['EARNEST_money-receipt (2).pdf', '', 'b'],
    ['scan0001.pdf', "Anchorfield Title & Escrow\nEarnest Money Receipt\nReceived", 'b'],
    ['closing statement.pdf', '', 'a'],
    ['closing statement copy.pdf', '', 'c'],
    ['scan0002.pdf', 'Survey of parcel 12', null],
    ['receipt.pdf', '', null],
]);

/** A zipped text with those members. @param  array<string, string>  $members */
function zipped(Scratch $scratch, array $members): string
{
    $zip = new ZipArchive();
    $zip->open($scratch->path('text.zip'), ZipArchive::CREATE);
    foreach ($members as $name => $content) {
        $zip->addFromString($name, $content);
        $zip->setCompressionName($name, ZipArchive::CM_STORE);
    }
    $zip->close();

    return $scratch->get('text.zip');
}

it('embeds no picture of this machine that a text links to', function (string $kind) {
    $picture = imagecreatetruecolor(200, 200);
    imagefill($picture, 0, 0, imagecolorallocate($picture, 200, 20, 20));
    imagepng($picture, $this->scratch->path('secret.png'));
    chmod($this->scratch->path('secret.png'), 0644);
    $link = 'file://'.$this->scratch->path('secret.png');
    $drawing =
        '<w:drawing><wp:inline><wp:extent cx="1905000" cy="1905000"/><wp:docPr id="1" name="p"/><a:graphic><a:graphicData '.
            'uri="http://schemas.openxmlformats.org/drawingml/2006/picture"><pic:pic><pic:nvPicPr><pic:cNvPr id="1" '.
            'name="p"/><pic:cNvPicPr/></pic:nvPicPr><pic:blipFill><a:blip '.
            'r:link="rId1"/><a:stretch><a:fillRect/></a:stretch></pic:blipFill><pic:spPr><a:xfrm><a:off x="0" y="0"/><a:ext cx="1905000" '.
            'cy="1905000"/></a:xfrm><a:prstGeom prst="rect"/></pic:spPr></pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing>';
    $bytes = match ($kind) {
        'docx' => zipped($this->scratch, [
            '[Content_Types].xml' => '<?xml version="1.0"?><Types '.
                'xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" '.
                'ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/word/document.xml" '.
                'ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>',
            '_rels/.rels' => '<?xml version="1.0"?><Relationships '.
                'xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" '.
                'Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" '.
                'Target="word/document.xml"/></Relationships>',
            'word/_rels/document.xml.rels' => '<?xml version="1.0"?><Relationships '.
                'xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" '.
                'Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/image" Target="'.
                $link.
                '" TargetMode="External"/></Relationships>',
            'word/document.xml' => '<?xml version="1.0"?><w:document '.
                'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main" '.
                'xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships" '.
                'xmlns:wp="http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing" '.
                'xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main" '.
                'xmlns:pic="http://schemas.openxmlformats.org/drawingml/2006/picture"><w:body><w:p><w:r><w:t>Linked '.
                'text</w:t></w:r></w:p><w:p><w:r>'.
                $drawing.
                '</w:r></w:p></w:body></w:document>',
        ]),
        'odt' => zipped($this->scratch, [
            'mimetype' => 'application/vnd.oasis.opendocument.text',
            'META-INF/manifest.xml' => '<?xml version="1.0"?><manifest:manifest manifest:version="1.3" '.
                'xmlns:manifest="urn:oasis:names:tc:opendocument:xmlns:manifest:1.0"><manifest:file-entry manifest:full-path="/" '.
                'manifest:media-type="application/vnd.oasis.opendocument.text"/><manifest:file-entry manifest:full-path="content.xml" '.
                'manifest:media-type="text/xml"/></manifest:manifest>',
            'content.xml' => '<?xml version="1.0"?><office:document-content office:version="1.3" '.
                'xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" '.
                'xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" '.
                'xmlns:draw="urn:oasis:names:tc:opendocument:xmlns:drawing:1.0" '.
                'xmlns:svg="urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0" '.
                'xmlns:xlink="http://www.w3.org/1999/xlink"><office:body><office:text><text:p>Linked text</text:p><text:p><draw:frame '.
                'svg:width="5cm" svg:height="5cm" text:anchor-type="as-char"><draw:image xlink:href="'.
                $link.
                '" xlink:type="simple"/></draw:frame></text:p></office:text></office:body></office:document-content>',
        ]),
        'rtf' => '{\rtf1\ansi Linked text\par{\field{\*\fldinst { INCLUDEPICTURE "'.
            $this->scratch->path('secret.png').
            '" \\d }}{\fldrslt x}}\par}',
    };
    $brought = ($this->take)($bytes, "text.{$kind}");
    $path = $this->scratch->put('made.pdf', $brought->pdf);
    expect((new NativeTool())->run(['pdftotext', $path, '-']))
        ->toContain('Linked text')
        ->and(substr_count(trim((new NativeTool())->run(['pdfimages', '-list', $path])), "\n"))
        ->toBe(1, 'a picture stands in it');
})->with(['docx', 'odt', 'rtf']);

it('tells a stack of papers from one paper', function () {
    $library = new Library(dirname(__DIR__, 2).'/library');
    $foot = fn (string $form, int $page, int $of) => "Some text\n{$form} · rev. 2026-01 · page {$page} of {$of}";
    expect(Stack::of([$foot('M-201', 1, 2), $foot('M-201', 2, 2)], $library))
        ->toBe([])
        ->and(Stack::of(['a letter', 'goes on'], $library))
        ->toBe([]);
    $parts = Stack::of(
        [$foot('M-201', 1, 3), $foot('M-201', 2, 3), 'an exhibit', $foot('M-230', 1, 1), "SURVEY OF LOT 5\npage 1 of 2", 'page 2 of 2'],
        $library,
    );
    expect(array_map(fn (StackPart $part) => $part->readable(), $parts))->toBe([
        $library->form('M-201')->title.' (pages 1 to 3)',
        $library->form('M-230')->title.' (page 4)',
        'SURVEY OF LOT 5 (pages 5 to 6)',
    ]);
    // The same form twice is two papers.
    expect(Stack::of([$foot('M-201', 1, 2), $foot('M-201', 2, 2), $foot('M-201', 1, 2), $foot('M-201', 2, 2)], $library))->toHaveCount(2);
});

it('finds the row of a form by its number on the page before its name', function () {
    $titles = ['a' => 'Purchase agreement', 'b' => 'Financing addendum'];
    $forms = ['a' => 'M-201', 'b' => 'M-205'];
    expect(Placeholder::row($titles, $forms, 'purchase agreement.pdf', 'text M-205 · rev. 2026-01'))
        ->toBe('b')
        ->and(Placeholder::row($titles, $forms, 'purchase agreement.pdf', 'a scan'))
        ->toBe('a')
        ->and(Placeholder::row($titles, $forms, 'scan.pdf', 'a scan'))
        ->toBeNull()
        ->and(Placeholder::row($titles, ['a' => 'M-201', 'b' => 'M-201'], 'scan.pdf', 'M-201 · rev. 2026-01'))
        ->toBeNull();
});
