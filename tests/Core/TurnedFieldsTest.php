<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Unanimus\Pages\FieldFill;
use Unanimus\Pages\Scratch;

it('sets a value along a narrow field whose turn only its own picture tells', function (string $matrix, bool $along) {
    $pdf = MadePdf::of([
        1 => '<< /Type /Catalog /Pages 2 0 R /AcroForm << /Fields [10 0 R] /DA (/Helv 9 Tf 0 g) /DR << /Font << /Helv 5 0 R >> >> >> >>',
        2 => '<< /Type /Pages /Kids [3 0 R] /Count 1 /MediaBox [0 0 612 792] >>',
        3 => '<< /Type /Page /Parent 2 0 R /Annots [10 0 R] >>',
        5 => '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
        10 => '<< /Type /Annot /Subtype /Widget /FT /Tx /T (tall) /Rect [100 500 114 640] /V (Before) /AP << /N 30 0 R >> >>',
        30 => MadePdf::stream(
            "/Type /XObject /Subtype /Form /BBox [0 0 140 14] {$matrix} /Resources << /Font << /Helv 5 0 R >> >>",
            '/Tx BMC BT /Helv 9 Tf 4 3 Td (Before) Tj ET EMC',
        ),
    ]);
    $scratch = new Scratch();
    $words = textOf(FieldFill::into($scratch->put('tall.pdf', $pdf), ['tall' => 'Wordlong'], true, press()));
    expect(str_contains($words, 'Wordlong'))->toBe($along)->and($words)->not->toContain('Before');
})->with([
    'going up' => ['/Matrix [0 1 -1 0 0 0]', true],
    'going down' => ['/Matrix [0 -1 1 0 0 0]', true],
    'askew' => ['/Matrix [0.9 0.4 -0.4 0.9 0 0]', false],
    'upright' => ['', false],
]);
