<?php

declare(strict_types=1);

use Unanimus\Forms\Blank;
use Unanimus\Forms\Continuation;
use Unanimus\Forms\FilledPages;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Form;
use Unanimus\Forms\FormPrinter;
use Unanimus\Forms\FormText;
use Unanimus\Forms\Library;
use Unanimus\Forms\MarkPlace;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Press;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Scratch;
use Unanimus\Requirements\Stage;
use Unanimus\Signing\MarkKind;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Kind;

$library = static fn () => new Library(dirname(__DIR__, 2).'/library');
$numbers = array_map(
    static fn (string $path) => strtoupper(basename(dirname($path))),
    glob(dirname(__DIR__, 2).'/library/*/form.json') ?: [],
);

it('has at least twenty-eight forms in three sets', function () use ($library) {
    $all = $library()->all();
    expect(count($all))->toBeGreaterThanOrEqual(28)->and(array_unique(array_map(fn (Form $form) => $form->set, $all)))->toHaveCount(3);
    expect(count($library()->form('M-231')->pages))
        ->toBe(5)
        ->and(count(array_filter($library()->form('M-231')->blanks, fn (Blank $blank) => $blank->kind === Kind::Tick)))
        ->toBeGreaterThan(150);
});

it('is in order: blanks on their page and apart, formulas and conditions naming what is there', function (string $number) use ($library) {
    $form = $library()->form($number);
    $names = array_map(fn (Blank $blank) => $blank->name, $form->blanks);
    expect($form->stage)->toBeIn(Stage::keys())->and(count(PdfLook::into($form->pdf)->pages()))->toBe(count($form->pages));
    foreach ($form->blanks as $index => $blank) {
        expect($blank->place->fitsOn(...$form->pages[$blank->page - 1]))
            ->toBeTrue("{$number} {$blank->name} stands off its page")
            ->and($blank->when === null || in_array($blank->when, $names, true))
            ->toBeTrue("{$number} {$blank->name} depends on what is not there");
        preg_match_all('/[a-z_0-9]+/', (string) $blank->formula, $used);
        expect(array_diff($used[0], $names))->toBe([], "{$number} {$blank->name} computes from what is not there");
        foreach (array_slice($form->blanks, $index + 1) as $other) {
            expect($blank->page === $other->page && $blank->place->overlaps($other->place))->toBeFalse(
                "{$number}: {$blank->name} lies over {$other->name}",
            );
        }
        if ($blank->group !== null) {
            expect($blank->kind)->toBe(Kind::Tick);
        }
    }
})->with($numbers);

it('prints every value that is entered, in any script, on sound pages', function (string $number) use ($library) {
    $form = $library()->form($number);
    $scratch = new Scratch();
    mkdir($scratch->path('cache'));
    $names = ['José Ortiz', 'Nguyễn Thị', '张伟明', 'محمد علي', 'Łukasz Żak', 'Sunniva Eide'];
    $entries = [];
    foreach (array_values($form->blanks) as $index => $blank) {
        $entries[$blank->name] = match ($blank->kind) {
            Kind::Money => '1234.50',
            Kind::Percent => '12.5',
            Kind::Number => (string) (10 + ($index % 80)),
            Kind::Date => '2026-12-18',
            Kind::Time => '17:30',
            Kind::Tick => 'x',
            default => $names[$index % 6].' '.$index,
        };
    }
    $filling = Filling::of($form, $entries, Facts::from([]));
    $pdf = $scratch->put(
        'filled.pdf',
        FilledPages::pdf($form, $filling, new Press(dirname(__DIR__, 2).'/library/fonts', $scratch->path('cache'))),
    );
    // Arabic comes back with marks of its direction; letters are compared without them and without spaces.
    $plain = static fn (string $text) => (string) preg_replace(
        '/[\s\x{200e}\x{200f}\x{202a}-\x{202e}]+/u',
        '',
        Normalizer::normalize($text, Normalizer::FORM_KC) ?: '',
    );
    $text = $plain((new NativeTool())->run(['pdftotext', '-raw', $pdf, '-']));
    foreach ($filling->printed() as $name => $value) {
        $blank = $form->blank($name);
        if ($blank->kind !== Kind::Tick) {
            foreach (preg_split('/\s+/', $value) ?: [] as $word) {
                expect($text)->toContain($plain($word));
            }
        }
    }
    expect((new NativeTool())->run(['qpdf', '--check', $pdf]))->toContain('No syntax or stream encoding errors');
})->with($numbers);

it('lets a text too long for its blank go on on a continuation page, and keeps what fits where it is', function () use ($library) {
    $form = $library()->form('M-222');
    $blank = array_values(array_filter($form->blanks, fn (Blank $blank) => $blank->kind === Kind::Text))[1];
    $words = array_map(fn (int $n) => "Wort{$n}", range(1, 900));
    $filling = Filling::of($form, [$blank->name => implode(' ', $words)], Facts::from([]));
    $scratch = new Scratch();
    mkdir($scratch->path('cache'));
    $pdf = $scratch->put(
        'filled.pdf',
        FilledPages::pdf($form, $filling, new Press(dirname(__DIR__, 2).'/library/fonts', $scratch->path('cache'))),
    );
    $pages = count(PdfLook::into($pdf)->pages());
    expect($pages)
        ->toBeGreaterThan(count($form->pages))
        ->and(Continuation::numbers($form, $filling))
        ->toBe([$blank->name => 1]);
    $own = (new NativeTool())->run(['pdftotext', '-l', (string) count($form->pages), $pdf, '-']);
    $more = (new NativeTool())->run(['pdftotext', '-f', (string) (count($form->pages) + 1), $pdf, '-']);
    expect($own)
        ->toContain('(1)')
        ->toContain('Wort1')
        ->not->toContain('Wort900')
        ->and($more)
        ->toContain("(1) {$blank->label}")
        ->toContain('Wort1 ')
        ->toContain('Wort900')
        ->toContain('This page is part of M-222');
    expect(Continuation::pages($form, Filling::of($form, [$blank->name => 'short'], Facts::from([]))))->toBe([]);
});

it('keeps what it read of a form, and reads it anew when the form is printed anew', function () {
    $scratch = new Unanimus\Pages\Scratch();
    mkdir($scratch->path('library/m-222'), 0777, true);
    mkdir($scratch->path('kept'));
    $source = dirname(__DIR__, 2).'/library/m-222/form.json';
    copy($source, $file = $scratch->path('library/m-222/form.json'));
    $read = static fn () => (new Library($scratch->path('library'), null, $scratch->path('kept')))->form('M-222');
    expect($read())
        ->toEqual($first = $read())
        ->and($first->title)
        ->toBe('Association addendum')
        ->and(glob($scratch->path('kept/*')))
        ->toHaveCount(1);
    file_put_contents($file, str_replace('"Association addendum"', '"Addendum of the association"', (string) file_get_contents($file)));
    clearstatcache();
    expect($read()->title)->toBe('Addendum of the association');
    exec('rm -r '.escapeshellarg($scratch->path('library')).' '.escapeshellarg($scratch->path('kept')));
});

it('has no blank or mark that crosses or touches the end of its page, and knows its sections', function (Form $form) {
    foreach ([...$form->blanks, ...array_filter($form->marks, fn (MarkPlace $mark) => $mark->kind !== MarkKind::Initials)] as $item) {
        $height = $form->pages[$item->page - 1][1];
        expect($item->place->y)
            ->toBeGreaterThanOrEqual(FormText::TOP - 1)
            ->and($item->place->y + $item->place->height)
            ->toBeLessThanOrEqual($height - FormText::FOOT + 1);
    }
    foreach ($form->sections as $section) {
        expect($section->page)
            ->toBeGreaterThanOrEqual(1)
            ->toBeLessThanOrEqual(count($form->pages))
            ->and($section->title)
            ->not->toBe('');
    }
    $info = (new NativeTool())->run(['pdfinfo', $form->pdf]);
    expect($info)
        ->toMatch('/Tagged: +yes/')
        ->toContain("{$form->number} {$form->title}");
    expect((new NativeTool())->run(['pdffonts', $form->pdf]))->not->toMatch('/ no (yes|no) (yes|no) +\\d+ /');
})->with(fn () => array_map(fn (Form $form) => [$form], (new Library(dirname(__DIR__, 2).'/library'))->all()));

it('refuses to build a form whose blank is cut by the end of a page', function () {
    $check = new ReflectionMethod(FormPrinter::class, 'check');
    $text = FormText::read("number: X-1\nrevision: 1\ntitle: T\nset: S\nstage: offer\n---\n[[word lines h=120]] [[sum money]]");
    $text->html();
    $link = fn (string $name, float $y, float $height) => [
        'page' => 1,
        'uri' => "blank/{$name}",
        'place' => new Rect(60, $y, 300, $height),
    ];
    $check->invoke(null, $text, [$link('word', 500, 120), $link('sum', 640, 13)], [[612.0, 792.0]]);
    foreach (
        [
            [$link('word', 500, 60)],
            [$link('word', 500, 120), $link('word', 50, 20)],
            [$link('sum', 720, 13)],
            [$link('sum', 40, 13)],
        ] as $links
    ) {
        expect(fn () => $check->invoke(null, $text, $links, [[612.0, 792.0]]))->toThrow(UnexpectedValueException::class);
    }
});
