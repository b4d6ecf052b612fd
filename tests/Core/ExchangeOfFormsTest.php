<?php

declare(strict_types=1);

use Unanimus\Forms\FillablePdf;
use Unanimus\Forms\Library;
use Unanimus\Forms\Xfdf;
use Unanimus\Forms\XfdfUnreadable;
use Unanimus\Pages\FieldFill;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PdfField;
use Unanimus\Pages\PdfFields;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;
use Unanimus\Terms\Kind;

it('writes and reads values in any script, with lines and markup in them', function () {
    $values = [
        'buyers' => "José <b> & 'Nguyễn' 张伟",
        'seller.1.name' => 'محمد',
        'seller.1.phone' => '555-0101',
        'seller' => 'both',
        'notes' => "one\ntwo",
        'empty' => '',
    ];
    expect(Xfdf::read(Xfdf::write($values, 'M-201.pdf')))->toEqual($values);
});

it('reads what other programs write', function () {
    $xml =
        '<?xml version="1.0" encoding="UTF-8"?><xfdf xmlns="http://ns.adobe.com/xfdf/" xml:space="preserve"><annots/><f '.
            'href="a.pdf"/><fields><field name="a"><field name="b"><value>1</value></field></field><field '.
            'name="tick"><value>Yes</value></field><field name="none"/></fields></xfdf>';
    expect(Xfdf::read($xml))->toBe(['a.b' => '1', 'tick' => 'Yes']);
});

it('refuses what is no XFDF, and every entity', function (string $xml) {
    expect(fn () => Xfdf::read($xml))->toThrow(XfdfUnreadable::class);
})->with([
    '',
    'hello',
    '<xfdf><fields>',
    '<html/>',
    '<!DOCTYPE x [<!ENTITY e SYSTEM "file:///etc/passwd">]><xfdf><fields><field name="a"><value>&e;</value></field></fields></xfdf>',
]);

it('gives a form out as a fillable PDF that keeps every blank, filled or not, and takes it back in', function (string $number) {
    $scratch = new Scratch();
    mkdir($scratch->path('cache'));
    $press = new Press(dirname(__DIR__, 2).'/library/fonts', $scratch->path('cache'));
    $form = (new Library(dirname(__DIR__, 2).'/library'))->form($number);
    $blank = PdfFields::of(PdfLook::into($scratch->put('blank.pdf', FillablePdf::of($form, [], $press))))->all();
    expect(count($blank))->toBe(count($form->blanks));
    $values = [];
    foreach (array_slice($form->blanks, 0, 30) as $index => $one) {
        $values[$one->name] = $one->kind === Kind::Tick ? 'x' : "José 张 {$index}";
    }
    $pdf = $scratch->put('filled.pdf', FillablePdf::of($form, $values, $press));
    $back = array_filter(
        array_column(
            array_map(
                fn (PdfField $field) => ['name' => $field->name, 'value' => $field->value],
                PdfFields::of(PdfLook::into($pdf))->all(),
            ),
            'value',
            'name',
        ),
        fn ($value) => $value !== '',
    );
    expect($back)
        ->toEqualCanonicalizing($values)
        ->and((new NativeTool())->run(['qpdf', '--check', $pdf]))
        ->toContain('No syntax or stream encoding errors');
    $name = array_key_first(array_filter($values, fn ($value) => $value !== 'x'));
    expect(
        (new NativeTool())->run([
            'pdftotext',
            $scratch->put('again.pdf', FieldFill::into($pdf, [$name => 'Filled elsewhere'], true, $press)),
            '-',
        ]),
    )->toContain('Filled elsewhere');
})->with(['M-102', 'M-206', 'M-231']);
