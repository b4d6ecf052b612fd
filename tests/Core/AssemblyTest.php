<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Unanimus\Pages\BlankPages;
use Unanimus\Pages\Bookmark;
use Unanimus\Pages\CoverSheet;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PageNumbers;
use Unanimus\Pages\PageStamp;
use Unanimus\Pages\PageText;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\SetPart;

it('finds pages with nothing on them, and takes faint, small or far-off things for something', function () {
    $scratch = new Scratch();
    $page = static fn () => new Drawing(612, 792);
    $pdf = $scratch->put(
        'pages.pdf',
        press()->print([
            $page()->text(72, 90, 11, 'Words'),
            $page(),
            $page()->text(560, 780, 5, 'x1'),
            $page()->line(72, 400, 200, 400, 0.5),
            $page()->text(72, 90, 9, 'Faint', fill: '#c0c0c0'),
            $page()->fill(new Rect(0, 0, 612, 792), '#f2efe6'),
            $page()->fill(new Rect(0, 0, 612, 792), '#f2efe6')->text(300, 300, 8, 'On grey paper'),
            $page()->cross(new Rect(500, 700, 9, 9)),
        ]),
    );
    expect(BlankPages::of($pdf))->toBe([2, 6]);
    expect(BlankPages::of($scratch->put('form.pdf', MadePdf::page(''))))->toBe([1]);
});

it('lists papers on as many cover sheets as they need, each title cut to its room', function (int $papers, int $sheets) {
    $listed = array_map(
        static fn (int $n) => ['title' => str_repeat("Paper {$n} of the deal ", 9), 'page' => $n * 3, 'pages' => ($n % 3) + 1],
        range(1, $papers),
    );
    expect(CoverSheet::count($papers))
        ->toBe($sheets)
        ->and(CoverSheet::draw('14 Lanternfish Lane', ['Buyers: Sunniva Eide'], $listed))
        ->toHaveCount($sheets);
    $scratch = new Scratch();
    $text = (new NativeTool())->run([
        'pdftotext',
        '-layout',
        $scratch->put('cover.pdf', press()->print(CoverSheet::draw('14 Lanternfish Lane', ['Buyers: Sunniva Eide'], $listed))),
        '-',
    ]);
    expect($text)
        ->toContain("Paper {$papers} of")
        ->toContain((string) ($papers * 3));
    foreach (PdfLook::into($scratch->path('cover.pdf'))->pages() as $size) {
        expect($size)->toEqual([612, 792]);
    }
})->with([[1, 1], [30, 1], [31, 2], [74, 2], [75, 3]]);

it('numbers pages in plain letters and stamps them with their paper when asked', function () {
    $scratch = new Scratch();
    $pdf = $scratch->put('numbers.pdf', PageNumbers::pdf(['1 / 3', '(2) \\ 3', 'ż3 / 3']));
    expect((new NativeTool())->run(['pdffonts', $pdf]))
        ->toMatch('/NotoSans-Regular +TrueType +WinAnsi +yes/')
        ->not->toMatch('/ no +(yes|no) +(yes|no) +\\d/');
    expect((new NativeTool())->run(['qpdf', '--check', $pdf]))
        ->toContain('No syntax')
        ->and((new NativeTool())->run(['pdftotext', $pdf, '-']))
        ->toMatch('~1\s*/\s*3~')
        ->toMatch('~\(2\)\s*\\\\\s*3~')
        ->toMatch('~3\s*/\s*3~');
    expect(PageStamp::None->foot(1, 2, 'A', 1, 2))->toBeNull()->and(PageStamp::Count->foot(1, 2, 'A', 1, 2))->toBe('1 / 2');
    $foot = PageStamp::Paper->foot(7, 9, 'M-201 Purchase agreement — house', 3, 8);
    expect($foot)
        ->toBeInstanceOf(Drawing::class)
        ->and($foot->inner())
        ->toContain('M-201 Purchase agreement — house, page 3 of 8')
        ->toContain('7 / 9');
});

it('takes chosen pages of a paper only, and begins the next where they end', function () {
    $scratch = new Scratch();
    $pages = array_map(static fn (int $n) => (new Drawing(612, 792))->text(72, 90, 12, "Leaf {$n}"), range(1, 5));
    $pdf = press()->assemble(
        [
            new SetPart('Some', $scratch->put('a.pdf', press()->print($pages)), 2, [2, 4]),
            new SetPart('Turned (and) cropped', $scratch->put('b.pdf', MadePdf::form())),
        ],
        static fn (int $page, int $count) => "{$page} / {$count}",
    );
    $outline = json_decode((new NativeTool())->run(['qpdf', '--json', '--json-key=outlines', $scratch->put('set.pdf', $pdf)]), true)[
        'outlines'
    ];
    expect(array_column($outline, 'destpageposfrom1'))
        ->toBe([1, 3])
        ->and(array_column($outline, 'title'))
        ->toBe(['Some', 'Turned (and) cropped'])
        ->and(PdfLook::into($scratch->path('set.pdf'))->pages())
        ->toHaveCount(5)
        ->and((new NativeTool())->run(['pdftotext', '-l', '2', $scratch->path('set.pdf'), '-']))
        ->toContain('Leaf 2')
        ->toContain('Leaf 4')
        ->not->toContain('Leaf 3')
        ->and((new NativeTool())->run(['qpdf', '--check', $scratch->path('set.pdf')]))
        ->toContain('No syntax');
});

it('folds a bookmark for each section beneath that of its paper, also where pages were left out', function () {
    $scratch = new Scratch();
    $pages = fn (int $count, string $name) => $scratch->put(
        $name,
        press()->print(array_map(fn (int $page) => (new Drawing(612, 792))->text(72, 90, 14, "{$name} {$page}"), range(1, $count))),
    );
    $pdf = press()->assemble([
        new SetPart('Agreement', $pages(4, 'a.pdf'), sections: [new Bookmark('1. Price', 1), new Bookmark('2. Schließung', 3)]),
        new SetPart('Survey', $pages(2, 'b.pdf')),
        new SetPart('Addendum', $pages(3, 'c.pdf'), 2, [1, 3], [new Bookmark('Gone', 2), new Bookmark('Kept', 3)]),
    ]);
    $outlines = json_decode((new NativeTool())->run(['qpdf', '--json=2', '--json-key=outlines', $scratch->put('all.pdf', $pdf)]), true)[
        'outlines'
    ];
    $tree = fn (array $level) => array_map(
        fn (array $one) => [
            $one['title'],
            $one['destpageposfrom1'],
            ...$one['kids'] === [] ? [] : [array_map(fn (array $kid) => [$kid['title'], $kid['destpageposfrom1']], $one['kids'])],
        ],
        $level,
    );
    expect($tree($outlines))
        ->toBe([['Agreement', 1, [['1. Price', 1], ['2. Schließung', 3]]], ['Survey', 5], ['Addendum', 7, [['Kept', 8]]]])
        ->and((new NativeTool())->run(['qpdf', '--check', $scratch->path('all.pdf')]))
        ->toContain('No syntax');
});

it('reads a paper out as paragraphs, page by page', function () {
    $scratch = new Scratch();
    $pdf = $scratch->put(
        't.pdf',
        press()->print([
            (new Drawing(612, 792))
                ->text(72, 90, 12, 'The buyer pays')
                ->text(72, 104, 12, 'at closing.')
                ->text(72, 160, 12, '2. Sunniva Eide'),
            new Drawing(612, 792),
        ]),
    );
    expect(PageText::of($pdf))->toBe([1 => ['The buyer pays at closing.', '2. Sunniva Eide'], 2 => []]);
});
