<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Unanimus\Forms\Library;
use Unanimus\Forms\Proposal;
use Unanimus\Forms\ProposedBlank;
use Unanimus\Pages\FieldFill;
use Unanimus\Pages\FieldRefused;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PageWords;
use Unanimus\Pages\PdfFields;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;

beforeEach(function () {
    $this->scratch = new Scratch();
    mkdir($this->scratch->path('cache'));
    $this->press = new Press(dirname(__DIR__, 2).'/library/fonts', $this->scratch->path('cache'));
    $this->pdf = $this->scratch->put('form.pdf', MadePdf::form());
    $this->text = fn (string $bytes, string ...$options) => (new NativeTool())->run([
        'pdftotext',
        ...$options,
        $this->scratch->put('out.pdf', $bytes),
        '-',
    ]);
    $this->sound = fn (string $bytes) => (new NativeTool())->run(['qpdf', '--check', $this->scratch->put('check.pdf', $bytes)]);
});

it('reads fields of every kind, with what they inherit', function () {
    $all = PdfFields::of(PdfLook::into($this->pdf));
    $fields = [];
    foreach ($all->all() as $field) {
        $fields[$field->name] = $field->toArray();
    }
    expect(array_keys($fields))
        ->toEqualCanonicalizing([
            'name',
            'notes',
            'zip',
            'agree',
            'pay',
            'state',
            'buyer.first',
            'colours',
            'sig',
            'turned',
            'cropped',
            'orphan',
        ])
        ->and(array_map(fn ($one) => $one['kind'], $fields))
        ->toMatchArray([
            'name' => 'text',
            'agree' => 'checkbox',
            'pay' => 'radio',
            'state' => 'choice',
            'colours' => 'list',
            'sig' => 'signature',
            'buyer.first' => 'text',
            'orphan' => 'text',
        ])
        ->and($fields['name'])
        ->toMatchArray([
            'label' => 'Full name',
            'required' => true,
            'page' => 1,
            'rect' => [100.0, 700.0, 400.0, 720.0],
            'maxLength' => null,
        ])
        ->and($fields['buyer.first'])
        ->toMatchArray(['rect' => [100.0, 400.0, 400.0, 420.0], 'maxLength' => 40])
        ->and($fields['notes'])
        ->toMatchArray(['multiline' => true, 'value' => 'old'])
        ->and($fields['zip']['maxLength'])
        ->toBe(5)
        ->and($fields['pay']['options'])
        ->toBe([['value' => '0', 'label' => 'By cash'], ['value' => '1', 'label' => 'By loan']])
        ->and(array_column($fields['pay']['widgets'], 'on'))
        ->toBe(['0', '1'])
        ->and($fields['state'])
        ->toMatchArray(['value' => 'QN', 'options' => [['value' => 'MR', 'label' => 'Merrow'], ['value' => 'QN', 'label' => 'Quoin']]])
        ->and([$fields['turned']['page'], $fields['cropped']['page'], $fields['orphan']['page']])
        ->toBe([2, 3, 1])
        ->and($all->notes)
        ->toHaveCount(2);
});

it('knows where a field stands on a turned or cropped page as it is read', function () {
    $fields = PdfFields::of(PdfLook::into($this->pdf));
    expect($fields->named('turned')[0]->widgets[0]->place->toArray())
        ->toBe([100.0, 100.0, 300.0, 20.0])
        ->and($fields->named('turned')[0]->widgets[0]->turn)
        ->toBe(0)
        ->and($fields->named('cropped')[0]->widgets[0]->place->toArray())
        ->toBe([100.0, 140.0, 250.0, 20.0]);
});

it('fills every kind in any script, as a form and as a part of the page', function (bool $flatten) {
    $values = [
        'name' => 'José Nguyễn 张伟',
        'notes' => "First line\nsecond",
        'zip' => '12345',
        'agree' => true,
        'pay' => 'By loan',
        'state' => 'Merrow',
        'buyer.first' => 'Sunniva',
        'colours' => ['red', 'blue'],
        'turned' => 'Sideways',
        'cropped' => 'In the crop',
        'orphan' => 'found me',
    ];
    $bytes = FieldFill::into($this->pdf, $values, $flatten, $this->press);
    expect(($this->text)($bytes))
        ->toContain('José Nguyễn 张伟')
        ->toContain('First line')
        ->toContain('Merrow')
        ->toContain('Sunniva')
        ->toContain('red, blue')
        ->toContain('Sideways')
        ->toContain('In the crop')
        ->toContain('found me')
        ->not->toContain('old')
        ->and(preg_replace('/\s/', '', ($this->text)($bytes)))
        ->toContain('12345')
        ->and(($this->sound)($bytes))
        ->toContain('No syntax or stream encoding errors');
    $again = PdfFields::of(PdfLook::into($this->scratch->put('again.pdf', $bytes)));
    if ($flatten) {
        expect($again->all())->toBe([]);

        return;
    }
    $now = array_combine(array_map(fn ($field) => $field->name, $again->all()), array_map(fn ($field) => $field->value, $again->all()));
    expect($now)
        ->toMatchArray([...$values, 'agree' => 'Ja', 'pay' => '1', 'state' => 'MR'])
        ->and($again->notes)
        ->toHaveCount(1);
    foreach ($again->named('pay')[0]->widgets as $widget) {
        expect($widget->dict->{'/AS'})->toBe($widget->on === '1' ? '/1' : '/Off');
    }
    // What was filled stands where its field is, and what is filled again takes its place.
    $twice = FieldFill::into($this->scratch->path('again.pdf'), ['name' => 'Anneke', 'agree' => false], true, $this->press);
    expect(($this->text)($twice))->toContain('Anneke')->toContain('Sunniva')->not->toContain('José');
})->with(['form' => false, 'page' => true]);

it('draws what is filled at its field', function () {
    $bytes = FieldFill::into($this->pdf, ['cropped' => 'Croptext', 'turned' => 'Turntext', 'name' => 'Nametext'], true, $this->press);
    $words = PageWords::of($this->scratch->put('filled.pdf', $bytes));
    foreach ([['Nametext', 1, 100, 72], ['Turntext', 2, 100, 100], ['Croptext', 3, 100, 140]] as [$text, $page, $x, $y]) {
        $word = array_values(array_filter($words[$page], fn ($word) => $word->text === $text))[0] ?? null;
        expect($word)
            ->not->toBeNull()
            ->and($word->x)
            ->toBeGreaterThan($x - 1)
            ->toBeLessThan($x + 8)
            ->and($word->y)
            ->toBeGreaterThan($y - 3)
            ->and($word->bottom())
            ->toBeLessThan($y + 24);
    }
});

it('takes nothing when one value cannot be taken, and says which', function (array $values, string $told) {
    expect(fn () => FieldFill::into($this->pdf, $values, true, $this->press))->toThrow(FieldRefused::class, $told);
})->with([
    [['name' => 'x', 'nam' => 'x'], 'no field “nam”. Near to it: name'],
    [['zip' => '123456'], 'at most 5 characters; this has 6'],
    [['pay' => 'By credit'], 'takes “0” (By cash), “1” (By loan)'],
    [['state' => 'Elsewhere'], 'takes one of “Merrow”, “Quoin”'],
    [['sig' => 'x'], 'holds no value'],
    [['name' => ['a', 'b']], 'one value, not several'],
    [['agree' => 'perhaps'], 'takes'],
]);

it('does not fill what is signed or no PDF', function () {
    $signed = MadePdf::of([
        1 => '<< /Type /Catalog /Pages 2 0 R /AcroForm << /Fields [5 0 R] >> >>',
        2 => '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
        3 => '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 612 792] >>',
        5 => '<< /FT /Sig /T (s) /V << /Type /Sig /ByteRange [0 1 2 3] /Contents <00> >> >>',
    ]);
    expect(fn () => FieldFill::into($this->scratch->put('signed.pdf', $signed), [], true, $this->press))
        ->toThrow(PdfRefused::class, 'signed digitally')
        ->and(fn () => FieldFill::into($this->scratch->put('no.pdf', 'Dear all,'), [], true, $this->press))
        ->toThrow(PdfRefused::class, 'not a PDF');
});

it('proposes the blanks of a page ruled, underscored, boxed or bracketed', function () {
    $content =
        MadePdf::text(72, 700, 'Buyer: ____________________   Date: ____________').
        MadePdf::text(72, 670, 'Purchase price $_______________ and a loan of ______ % of it').
        MadePdf::text(72, 640, '[ ] cash   [ ] a loan').
        MadePdf::text(92, 610, 'sold as it is').
        "0.7 w 72 608 10 10 re S\n".
        MadePdf::text(72, 570, 'Parcel number').
        "150 568 m 330 568 l S\n".
        MadePdf::text(72, 540, 'An underlined heading').
        "72 538 m 180 538 l S\n".
        "72 480 200 30 re S\n".
        MadePdf::text(75, 501, 'County', 7).
        "72 400 m 300 400 l S\n".
        MadePdf::text(72, 391, 'Seller', 7).
        "320 400 m 420 400 l S\n".
        MadePdf::text(320, 391, 'Date', 7);
    $found = Proposal::of($this->scratch->put('flat.pdf', MadePdf::page($content)));
    $told = array_map(fn (ProposedBlank $blank) => [$blank->kind->value, $blank->binding, $blank->by], $found);
    expect($told)
        ->toBe([
            ['text', 'buyers.names', 'underscores'],
            ['date', null, 'underscores'],
            ['money', 'price', 'underscores'],
            ['percent', 'loan_percent', 'underscores'],
            ['tick', null, 'brackets'],
            ['tick', null, 'brackets'],
            ['tick', null, 'check square'],
            ['text', 'property.parcel', 'ruled line'],
            ['text', 'property.county', 'box'],
            ['signature', 'seller.1', 'ruled line'],
            ['date', 'seller.1', 'ruled line'],
        ])
        ->and(array_map(fn (ProposedBlank $blank) => $blank->label, array_slice($found, 4, 3)))
        ->toBe(['cash', 'a loan', 'sold as it is'])
        ->and($found[0]->toArray(792.0)['rect'][0])
        ->toBeGreaterThan(100.0);
});

it('finds nearly every blank and mark of our own printed forms, and hardly anything else', function (string $number) {
    $form = (new Library(dirname(__DIR__, 2).'/library'))->form($number);
    $found = Proposal::of($form->pdf);
    $there = [...$form->blanks, ...$form->marks];
    $met = array_filter(
        $there,
        fn ($place) => array_filter(
            $found,
            fn (ProposedBlank $one) => $one->page === $place->page && $one->place->overlaps($place->place),
        ) !== [],
    );
    expect(count($met) / count($there))
        ->toBeGreaterThan(0.9)
        ->and(count($found))
        ->toBeLessThan(1.1 * count($there) + 1);
})->with(['M-102', 'M-201', 'M-214', 'M-230']);

it('finds who signs on a form as on any paper: captions under their lines, columns, names in brackets', function () {
    $content = MadePdf::text(60, 700, 'This agreement is made between ________________________ ("Buyer") and the owner.', 10);
    foreach ([60 => 'BUYER:', 330 => 'SELLER:'] as $x => $who) {
        $content .= MadePdf::text($x, 460, $who, 10);
        foreach (['Signature', 'Print name', 'Date'] as $row => $caption) {
            $content .= MadePdf::text($x, 430 - 32 * $row, '______________________________', 10).
                MadePdf::text($x, 418 - 32 * $row, $caption, 9);
        }
    }
    $found = Proposal::of($this->scratch->put('flat.pdf', MadePdf::page($content)));
    expect(array_map(fn (ProposedBlank $one) => "{$one->kind->value} {$one->label} {$one->binding}", $found))->toBe([
        'text Buyer buyers.names',
        'signature Signature buyer.1', 'signature Signature seller.1',
        'name Print name buyer.1', 'name Print name seller.1',
        'date Date buyer.1', 'date Date seller.1',
    ]);
});

it('takes three blanks with strokes between for a day, called by what stands before them', function () {
    $content = MadePdf::text(60, 460, 'This offer expires ___/___/____ at noon.   ___/___/____', 10);
    $found = Proposal::of($this->scratch->put('flat.pdf', MadePdf::page($content)));
    expect(array_map(fn (ProposedBlank $one) => "{$one->kind->value} {$one->label} {$one->binding}", $found))->toBe([
        'date This offer expires offer_expiry', 'date at noon. ',
    ]);
});
