<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\LayerKind;
use Unanimus\Pages\LayerPiece;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PageImage;
use Unanimus\Pages\PageWords;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\Word;

$words = [
    new Word('The', 50, 100, 20, 10),
    new Word('seller', 74, 100, 30, 10),
    new Word('pays', 108, 100, 24, 10),
    new Word('all', 50, 114, 14, 10),
    new Word('costs', 68, 114, 28, 10),
];

it('takes the words that are drawn over, line by line', function (array $drawn, array $places) use ($words) {
    expect(array_map(fn (Rect $place) => $place->toArray(), LayerPiece::over(Rect::fromArray($drawn), $words)))->toEqual($places);
})->with([
    'a stroke through one word' => [[76, 104, 10, 2], [[74.0, 100.0, 30.0, 10.0]]],
    'a frame around two' => [[70, 98, 60, 13], [[74.0, 100.0, 58.0, 10.0]]],
    'a frame over two lines' => [[40, 98, 70, 28], [[50.0, 100.0, 82.0, 10.0], [50.0, 114.0, 46.0, 10.0]]],
    'beside all words' => [[300, 300, 40, 6], [[300.0, 300.0, 40.0, 6.0]]],
    'just touching from above' => [[50, 90, 80, 11], [[50.0, 90.0, 80.0, 11.0]]],
]);

it('puts covers below what is written over them', function () {
    $pieces = [
        new LayerPiece(LayerKind::Text, 1, [new Rect(50, 50, 100, 14)], 'new words'),
        new LayerPiece(LayerKind::Cover, 1, [new Rect(40, 45, 150, 24)]),
        new LayerPiece(LayerKind::Tick, 9, [new Rect(1, 1, 9, 9)]),
    ];
    $drawings = LayerPiece::draw($pieces, [], [[612.0, 792.0]]);
    expect(array_keys($drawings))
        ->toBe([1])
        ->and(strpos($drawings[1]->inner(), '<rect'))
        ->toBeLessThan((int) strpos($drawings[1]->inner(), '<text'));
});

it('writes on pages from outside where they are read: turned, cropped, trimmed', function () {
    $scratch = new Scratch();
    $pdf = $scratch->put('pages.pdf', MadePdf::form());
    $sizes = PdfLook::into($pdf)->pages();
    $pieces = array_map(fn (int $page) => new LayerPiece(LayerKind::Text, $page, [new Rect(120, 200, 180, 14)], "Word{$page} żółć 章"), [
        1,
        2,
        3,
    ]);
    $out = $scratch->put('out.pdf', press()->writeOver($pdf, LayerPiece::draw($pieces, [], $sizes)));
    expect((new NativeTool())->run(['qpdf', '--check', $out]))->toContain('No syntax');
    foreach ([1, 2, 3] as $page) {
        $found = array_values(array_filter(PageWords::of($out, $page)[$page], fn (Word $word) => $word->text === "Word{$page}"));
        expect($found)
            ->toHaveCount(1, "page {$page}")
            ->and(abs($found[0]->x - 121.5))
            ->toBeLessThan(3, "page {$page}")
            ->and(abs($found[0]->bottom() - 214))
            ->toBeLessThan(6, "page {$page}");
    }
});

it('strikes out so that it is seen, and covers so that it is not', function () {
    $scratch = new Scratch();
    $pdf = $scratch->put('page.pdf', MadePdf::page(MadePdf::text(72, 700, 'The seller pays all costs', 20)));
    $dark = static function (string $bytes) use ($scratch): int {
        $image = imagecreatefromwebp($scratch->put('page.webp', PageImage::of($scratch->put('seen.pdf', $bytes), 1)));
        $count = 0;
        $scale = imagesx($image) / 612;
        for ($x = (int) (72 * $scale); $x < 330 * $scale; $x++) {
            for ($y = (int) (74 * $scale); $y < 98 * $scale; $y++) {
                $count += (imagecolorat($image, $x, $y) & 0xFF) < 100 ? 1 : 0;
            }
        }

        return $count;
    };
    $places = LayerPiece::over(new Rect(70, 70, 300, 30), PageWords::of($pdf, 1)[1]);
    $with = static fn (LayerKind $kind) => $dark(
        press()->writeOver($pdf, LayerPiece::draw([new LayerPiece($kind, 1, $places)], [], [[612.0, 792.0]])),
    );
    $plain = $dark((string) file_get_contents($pdf));
    expect($plain)
        ->toBeGreaterThan(100)
        ->and($with(LayerKind::Line))
        ->toBeGreaterThan($plain * 1.1)
        ->and($with(LayerKind::Cover))
        ->toBe(0);
    expect((new Drawing(10, 10))->fill(new Rect(1, 1, 2, 2))->isEmpty())->toBeFalse();
});

it('makes pictures of covered pages, so that nothing covered is left in the file, and leaves the others as they are', function () {
    $scratch = new Scratch();
    $pages = array_map(static fn (int $n) => (new Drawing(612, 792))->text(72, 90, 14, "Secret number {$n}"), [1, 2, 3]);
    $pdf = $scratch->put('three.pdf', press()->print($pages));
    $covered = press()->writeOver(
        $pdf,
        LayerPiece::draw(
            [new LayerPiece(LayerKind::Cover, 2, LayerPiece::over(new Rect(60, 74, 300, 20), PageWords::of($pdf, 2)[2]))],
            [],
            PdfLook::into($pdf)->pages(),
        ),
    );
    $out = $scratch->put('out.pdf', press()->asPictures($covered, [2]));
    $text = (new NativeTool())->run(['pdftotext', $out, '-']);
    expect($text)
        ->toContain('number 1')
        ->toContain('number 3')
        ->not->toContain('number 2')
        ->and(PdfLook::into($out)->pages())
        ->toEqual([[612, 792], [612, 792], [612, 792]])
        ->and((new NativeTool())->run(['qpdf', '--check', $out]))
        ->toContain('No syntax')
        ->and(Unanimus\Pages\BlankPages::of($out))
        ->toBe([2]);
});
