<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Unanimus\Evidence\Seal;
use Unanimus\Evidence\SealAnswer;
use Unanimus\Evidence\SealCheck;
use Unanimus\Evidence\Signatures;
use Unanimus\Evidence\SigningKey;
use Unanimus\Evidence\Trust;
use Unanimus\Evidence\TrustList;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\Converter;
use Unanimus\Pages\ActiveContent;
use Unanimus\Pages\EditLost;
use Unanimus\Pages\FieldFill;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PdfEdit;
use Unanimus\Pages\PdfFields;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Scratch;

/** The same PDF as other programs write it. */
function writtenAs(string $how, string $pdf, Scratch $scratch): string
{
    $in = $scratch->put('as-in.pdf', $pdf);
    $options = match ($how) {
        'object streams' => ['--object-streams=generate'],
        'no object streams' => ['--object-streams=disable'],
        'linearized' => ['--linearize', '--object-streams=generate'],
        'encrypted' => ['--object-streams=generate', '--encrypt', '', 'owner', '256', '--'],
        'old encryption' => ['--allow-weak-crypto', '--encrypt', '', 'owner', '128', '--'],
        default => [],
    };
    if ($how === 'updated') {
        // As a reader saves it: changes behind the end.
        return $pdf.
            "9 0 obj\n<< /Later true >>\nendobj\nxref\n9 1\n".
            sprintf('%010d', strlen($pdf)).
            " 00000 n \ntrailer << /Root 1 0 R /Size 60 /Prev ".
            substr(strrchr(rtrim(substr($pdf, 0, (int) strrpos($pdf, '%%EOF'))), "\n") ?: '', 1).
            " >>\nstartxref\n".
            (strlen($pdf) + strlen("9 0 obj\n<< /Later true >>\nendobj\n")).
            "\n%%EOF\n";
    }
    (new NativeTool())->run(['qpdf', '--warning-exit-0', $in, ...$options, $scratch->path('as-out.pdf')]);

    return $scratch->get('as-out.pdf');
}

/** Everything that may not stay, in one file. */
function lively(): string
{
    return MadePdf::of([
        1 => '<< /Type /Catalog /Pages 2 0 R /OpenAction << /S /JavaScript /JS (app.alert(1)) >> /Names << /EmbeddedFiles << /Names [(a) '.
            '6 0 R] >> >> >>',
        2 => '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
        3 => '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 612 792] /AA << /O 7 0 R >> /Annots [4 0 R 8 0 R 9 0 R 10 0 R 11 0 R] '.
            '/Resources << /Font << /AA 5 0 R >> /XObject << /P 12 0 R >> >> /Contents 13 0 R >>',
        4 => '<< /Type /Annot /Subtype /Link /Rect [0 0 90 90] /A << /S /Launch /F (run.exe) >> >>',
        5 => '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
        6 => '<< /Type /Filespec /F (a.bin) >>',
        7 => '<< /S /JavaScript /JS (app.launchURL\(1\)) >>',
        8 => '<< /Type /Annot /Subtype /Link /Rect [0 100 90 190] /A << /S /URI /URI (JavaScript:alert\(1\)) >> >>',
        9 => '<< /Type /Annot /Subtype /Link /Rect [0 200 90 290] /A << /S /URI /URI (file:///etc/passwd) >> >>',
        10 => '<< /Type /Annot /Subtype /Link /Rect [0 300 90 390] /A << /S /URI /URI (https://anchorfield.example/closing) >> >>',
        11 => '<< /Type /Annot /Subtype /Link /Rect [0 400 90 490] /A << /S /SubmitForm /F (https://x.example) >> >>',
        12 => '<< /Type /XObject /Subtype /Image /Width 1 /Height 1 /BitsPerComponent 8 /ColorSpace /DeviceGray /F (//elsewhere/picture) '.
            "/Length 1 >>\nstream\n0\nendstream",
        13 => MadePdf::stream('', 'BT /AA 12 Tf 72 700 Td (Kept words) Tj ET'),
    ]);
}

beforeEach(function () {
    $this->scratch = new Scratch();
    $this->take = fn (string $bytes) => (new Converter(press()))->toPdf($this->scratch->put('brought.pdf', $bytes));
    $this->raw = fn (string $bytes) => (new NativeTool())->run([
        'qpdf',
        '--warning-exit-0',
        '--qdf',
        '--object-streams=disable',
        $this->scratch->put('raw.pdf', $bytes),
        '-',
    ]);
    $this->words = fn (string $bytes) => (new NativeTool())->run(['pdftotext', $this->scratch->put('words.pdf', $bytes), '-']);
});

dataset('ways of writing', ['as it is', 'object streams', 'no object streams', 'linearized', 'encrypted', 'old encryption', 'updated']);

it('loses no value, however the file is written', function (string $how) {
    $path = $this->scratch->put('form.pdf', writtenAs($how, MadePdf::form(), $this->scratch));
    $values = [
        'name' => 'José Nguyễn',
        'notes' => 'new',
        'zip' => '12345',
        'agree' => true,
        'pay' => 'By loan',
        'state' => 'Merrow',
        'buyer.first' => 'Sunniva',
        'turned' => 'Sideways',
        'cropped' => 'Cropped',
        'orphan' => 'found',
    ];
    $filled = FieldFill::into($path, $values, false, press());
    $now = [];
    foreach (PdfFields::of(PdfLook::into($this->scratch->put('filled.pdf', $filled)))->all() as $field) {
        $now[$field->name] = $field->value;
    }
    $flat = FieldFill::into($path, $values, true, press());
    expect($now)
        ->toMatchArray([...$values, 'agree' => 'Ja', 'pay' => '1', 'state' => 'MR'])
        ->and(($this->words)($flat))
        ->toContain('José Nguyễn', 'Sunniva', 'Sideways', 'Cropped', 'found')
        ->not->toContain('old');
})->with('ways of writing');

it('takes out what acts by itself, however the file is written, and keeps the rest', function (string $how) {
    $brought = ($this->take)(writtenAs($how, lively(), $this->scratch));
    $raw = ($this->raw)($brought->pdf);
    foreach (['JavaScript', '/JS', '/Launch', 'run.exe', 'EmbeddedFiles', 'SubmitForm', 'file:///', '(//elsewhere', '/O 7'] as $gone) {
        expect(str_contains($raw, $gone))->toBeFalse("{$gone} is still there");
    }
    expect(($this->words)($brought->pdf))
        ->toContain('Kept words')
        ->and(ActiveContent::in(PdfLook::into($this->scratch->put('again.pdf', $brought->pdf)))->isNone())
        ->toBeTrue()
        ->and($brought->notes)
        ->toContain(
            'Links that lead to no web page were taken out.',
            'Parts that lie in other files were taken out.',
            'Scripts were taken out.',
        );
})->with('ways of writing');

it('says what is missing instead of giving out a file that lacks it', function () {
    $edit = PdfEdit::of($this->scratch->put('in.pdf', MadePdf::page('')));
    $edit->write([], static fn () => 'the answer');
})->throws(EditLost::class, 'not complete: the answer');

it('is not kept from cleaning by something that only looks like a signature', function () {
    $fake = str_replace(
        '/Names << /EmbeddedFiles',
        '/Fake << /Type /Sig /ByteRange [0 10 20 30] /Contents <00> >> /Names << /EmbeddedFiles',
        lively(),
    );
    $repaired = (new NativeTool())->run(['qpdf', '--warning-exit-0', $this->scratch->put('fake.pdf', $fake), '-']);
    $brought = ($this->take)($repaired);
    expect(($this->raw)($brought->pdf))
        ->not->toContain('/Launch')
        ->and($brought->original)
        ->toBeNull()
        ->and($brought->signatures)
        ->toBe([]);
});

it('shows a clean copy of a signed file and keeps the original beside it, with who signed', function () {
    $key = SigningKey::fromPem((string) file_get_contents(authority().'/seal.pem'));
    $signed = (new Seal($key, new Tests\Support\OpensslStamps(authority()), 'Harborstone'))->over(lively(), new DateTimeImmutable());
    $brought = ($this->take)($signed);
    expect($brought->original)
        ->toBe($signed)
        ->and(($this->raw)($brought->pdf))
        ->not->toContain('/Launch')
        ->not->toContain('/ByteRange')
        ->and(($this->words)($brought->pdf))
        ->toContain('Kept words')
        ->and($brought->notes[0])
        ->toContain('signed by Quillmark Realty Document Seal')
        ->toContain('no one we know vouches');
});

it('does not call a seal under someone else\'s root ours', function () {
    $tool = new NativeTool(30);
    $tool->run([
        'openssl',
        'req',
        '-x509',
        '-newkey',
        'rsa:2048',
        '-nodes',
        '-subj',
        '/O=Quillmark Realty/CN=Quillmark Realty Document Seal',
        '-days',
        '30',
        '-keyout',
        $this->scratch->path('k'),
        '-out',
        $this->scratch->path('c'),
    ]);
    $key = SigningKey::fromPem($this->scratch->get('k').$this->scratch->get('c'));
    $forged = (new Seal($key, new Tests\Support\OpensslStamps(authority()), 'Quillmark Realty'))->over(
        MadePdf::page(MadePdf::text(72, 700, 'Forged')),
        new DateTimeImmutable(),
    );
    $ours = ourRoots();
    $check = SealCheck::of($forged, $ours);
    expect($check->answer)
        ->toBe(SealAnswer::AnotherHolds)
        ->and($check->answer->isOurs())
        ->toBeFalse()
        ->and($check->sentence)
        ->toContain('no one we know vouches')
        ->and(Signatures::in($forged, $ours)[0])
        ->toMatchObject(['trust' => Trust::Nobody, 'intact' => true, 'coversAll' => true])
        ->and(
            SealCheck::of(
                $forged,
                TrustList::fromFiles([authority().'/root.crt'], [authority().'/root.crt'], [$this->scratch->path('c')]),
            )->sentence,
        )
        ->toContain('Quillmark Realty Document Seal vouches');
});

it('tells a file that was signed and then changed, or added to', function () {
    $signed = (new Seal(
        SigningKey::fromPem((string) file_get_contents(authority().'/seal.pem')),
        new Tests\Support\OpensslStamps(authority()),
        'X',
    ))->over(MadePdf::page(MadePdf::text(72, 700, 'Signed words')), new DateTimeImmutable());
    $changed = $signed;
    $at = (int) strpos($changed, '/MediaBox') + 13;
    $changed[$at] = $changed[$at] === '1' ? '2' : '1';
    $ours = ourRoots();
    expect(SealCheck::of($changed, $ours)->answer)
        ->toBe(SealAnswer::Changed)
        ->and(SealCheck::of($changed, $ours)->sentence)
        ->toContain('then changed')
        ->and(SealCheck::of($signed."% more\n", $ours)->answer)
        ->toBe(SealAnswer::AddedTo);
});

it('counts pages as readers do, or refuses', function (array $objects, int|string $expected) {
    $pdf = MadePdf::of(
        [1 => '<< /Type /Catalog /Pages 2 0 R >>', 4 => '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 612 792] >>'] + $objects,
    );
    if (is_string($expected)) {
        expect(fn () => ($this->take)($pdf))->toThrow(BringRefused::class, $expected);

        return;
    }
    $brought = ($this->take)($pdf);
    expect($brought->pages)
        ->toBe($expected)
        ->and((int) (new NativeTool())->run(['qpdf', '--show-npages', $this->scratch->put('n.pdf', $brought->pdf)]))
        ->toBe($expected);
})->with([
    'the same page twice' => [
        [2 => '<< /Type /Pages /Kids [3 0 R 3 0 R] /Count 2 /MediaBox [0 0 612 792] >>', 3 => '<< /Type /Page /Parent 2 0 R >>'],
        2,
    ],
    'too small a count' => [
        [2 => '<< /Type /Pages /Kids [3 0 R 4 0 R] /Count 1 /MediaBox [0 0 612 792] >>', 3 => '<< /Type /Page /Parent 2 0 R >>'],
        2,
    ],
    'too large a count' => [
        [2 => '<< /Type /Pages /Kids [3 0 R] /Count 9 /MediaBox [0 0 612 792] >>', 3 => '<< /Type /Page /Parent 2 0 R >>'],
        'do not agree on how many pages',
    ],
]);

it('gives the right reason', function (string $what, string $told) {
    $plain = MadePdf::page(MadePdf::text(72, 700, 'Words'));
    $bytes = match ($what) {
        'certificates' => MadePdf::of([
            1 => '<< /Type /Catalog /Pages 2 0 R >>',
            2 => '<< /Type /Pages /Kids [3 0 R] /Count 1 /MediaBox [0 0 612 792] >>',
            3 => '<< /Type /Page /Parent 2 0 R >>',
        ]),
        'waiting page' => MadePdf::of([
            1 => '<< /Type /Catalog /Pages 2 0 R /NeedsRendering true /AcroForm << /Fields [] /XFA 5 0 R >> >>',
            2 => '<< /Type /Pages /Kids [3 0 R] /Count 1 /MediaBox [0 0 612 792] >>',
            3 => '<< /Type /Page /Parent 2 0 R >>',
            5 => MadePdf::stream('', '<xdp/>'),
        ]),
        default => substr($plain, 0, (int) strpos($plain, 'xref')).str_repeat(' ', 30),
    };
    if ($what === 'certificates') {
        $bytes = str_replace(
            'trailer << ',
            'trailer << /Encrypt << /Filter /Adobe.PubSec /V 4 /SubFilter /adbe.pkcs7.s5 /Length 128 >> /ID [<00><00>] ',
            $bytes,
        );
    }
    expect(fn () => ($this->take)($bytes))->toThrow(BringRefused::class, $told);
})->with([['certificates', 'locked for certain people'], ['waiting page', 'only in the program it was made for'], ['cut off', 'cut off']]);

it('takes a file with something behind its end', function () {
    $brought = ($this->take)(MadePdf::page(MadePdf::text(72, 700, 'Words')).str_repeat("<!-- added by a web page -->\n", 200));
    expect($brought->pages)->toBe(1)->and(($this->words)($brought->pdf))->toContain('Words');
});

it('fills a form whose usage rights would end, and says so', function () {
    $pdf = str_replace(
        '/AcroForm <<',
        '/Perms << /UR3 << /Type /Sig /ByteRange [0 1 2 3] /Contents <00> >> >> /AcroForm <<',
        MadePdf::form(),
    );
    $path = $this->scratch->put(
        'rights.pdf',
        (new NativeTool())->run(['qpdf', '--warning-exit-0', $this->scratch->put('r.pdf', $pdf), '-']),
    );
    $filled = FieldFill::into($path, ['name' => 'Sunniva'], false, press());
    expect(implode(' ', PdfFields::of(PdfLook::into($path))->notes))
        ->toContain('usage rights end')
        ->and(($this->raw)($filled))
        ->not->toContain('UR3');
});

it('reads texts and names in the file\'s own encoding, and states that only have names', function () {
    $pdf = MadePdf::of([
        1 => '<< /Type /Catalog /Pages 2 0 R /AcroForm << /Fields [10 0 R 11 0 R 12 0 R] >> >>',
        2 => '<< /Type /Pages /Kids [3 0 R 4 0 R] /Count 2 /MediaBox [0 0 612 792] >>',
        3 => '<< /Type /Page /Parent 2 0 R /Annots [10 0 R 11 0 R 12 0 R] >>',
        4 => '<< /Type /Page /Parent 2 0 R /Annots [10 0 R] >>',
        10 => "<< /Type /Annot /Subtype /Widget /FT /Tx /T (Stra\xdfe \x80) /Rect [100 700 400 720] >>",
        11 => '<< /Type /Annot /Subtype /Widget /FT /Btn /T (oui) /AS /Off /AP << /N << /Oui#e9 30 0 R /Off 30 0 R >> >> /Rect [100 600 '.
            '120 620] >>',
        12 => '<< /FT /Btn /Ff 49152 /T (latex) /V /Off /Kids [13 0 R 14 0 R] >>',
        13 => '<< /Type /Annot /Subtype /Widget /Parent 12 0 R /P 3 0 R /Rect [100 500 120 520] /AS /Off /AP << /N << /one /null >> >> >>',
        14 => '<< /Type /Annot /Subtype /Widget /Parent 12 0 R /P 3 0 R /Rect [140 500 160 520] /AS /Off /AP << /N << /two /null >> >> >>',
        30 => MadePdf::stream('/Type /XObject /Subtype /Form /BBox [0 0 14 14]', 'q Q'),
    ]);
    $path = $this->scratch->put('encodings.pdf', $pdf);
    $fields = PdfFields::of(PdfLook::into($path));
    $names = array_map(fn ($field) => $field->name, $fields->all());
    expect($names)
        ->toContain('Straße •', 'oui', 'latex')
        ->and(array_map(fn ($widget) => $widget->page, $fields->named('Straße •')[0]->widgets))
        ->toBe([1, 2])
        ->and($fields->named('oui')[0]->options)
        ->toBe([['value' => 'Ouié', 'label' => 'Ouié']])
        ->and(array_column($fields->named('latex')[0]->options, 'value'))
        ->toBe(['one', 'two']);
    $filled = FieldFill::into($path, ['Straße •' => 'Überall', 'oui' => 'Ouié', 'latex' => 'two'], false, press());
    $again = PdfFields::of(PdfLook::into($this->scratch->put('f.pdf', $filled)));
    expect($again->named('oui')[0]->value)
        ->toBe('Ouié')
        ->and($again->named('latex')[0]->value)
        ->toBe('two')
        ->and(($this->raw)($filled))
        ->toContain('/Oui#e9');
    // On both pages, and the ticks that have no picture are drawn.
    $flat = FieldFill::into($path, ['Straße •' => 'Überall', 'oui' => 'Ouié', 'latex' => 'two'], true, press());
    $dark = static fn (int $x, int $y) => darkPoints($flat, 1, $x, $y);
    expect(substr_count(($this->words)($flat), 'Überall'))
        ->toBe(2)
        ->and($dark(100, 172))
        ->toBeGreaterThan(20)
        ->and($dark(140, 272))
        ->toBeGreaterThan(20)
        ->and($dark(100, 272))
        ->toBe(0);
});

it('draws a value whose own picture shows nothing, once, also where pages are turned', function () {
    $widget = static fn (
        string $name,
        string $rect,
        string $more,
    ) => "<< /Type /Annot /Subtype /Widget /FT /Tx /T ({$name}) /Rect [{$rect}] {$more} >>";
    $pdf = MadePdf::of([
        1 => '<< /Type /Catalog /Pages 2 0 R /AcroForm << /Fields [10 0 R 11 0 R 12 0 R] /NeedAppearances true /DA (/Helv 0 Tf 0 g) /DR '.
            '<< /Font << /Helv 5 0 R >> >> >> >>',
        2 => '<< /Type /Pages /Kids [3 0 R] /Count 1 /MediaBox [0 0 612 792] >>',
        3 => '<< /Type /Page /Parent 2 0 R /Rotate 90 /Annots [10 0 R 11 0 R 12 0 R] >>',
        5 => '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
        10 => $widget('empty', '100 700 400 720', '/V (Emptyshown) /AP << /N 30 0 R >>'),
        11 => $widget('none', '100 600 400 620', '/V (Noneshown) /AP << >>'),
        12 => $widget('old', '100 500 120 700', '/MK << /R 90 >> /V (Oldvalue) /AP << /N 31 0 R >>'),
        30 => MadePdf::stream('/Type /XObject /Subtype /Form /BBox [0 0 300 20]', '/Tx BMC EMC'),
        31 => MadePdf::stream(
            '/Type /XObject /Subtype /Form /BBox [0 0 20 200] /Resources << /Font << /Helv 5 0 R >> >>',
            '/Tx BMC BT /Helv 9 Tf 0 1 -1 0 14 4 Tm (Oldvalue) Tj ET EMC',
        ),
    ]);
    $path = $this->scratch->put('needs.pdf', $pdf);
    $kept = ($this->words)(($this->take)($pdf)->pdf);
    expect($kept)
        ->toContain('Emptyshown', 'Noneshown')
        ->and(substr_count($kept, 'Oldvalue'))
        ->toBe(1)
        ->and(($this->words)(FieldFill::into($path, ['old' => 'Newvalue'], true, press())))
        ->toContain('Newvalue')
        ->not->toContain('Oldvalue')
        ->and(($this->words)(FieldFill::into($path, ['none' => "A\0B\u{FFFE}C"], true, press())))
        ->toContain('ABC');
});
