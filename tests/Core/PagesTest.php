<?php

declare(strict_types=1);

use Unanimus\Forms\FilledPages;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Library;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PageImage;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\SetPart;
use Unanimus\Pages\ToolFailed;
use Unanimus\Pages\Typeface;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Kind;

dataset('printed forms', fn () => array_map(static fn ($form) => [$form->number], (new Library(dirname(__DIR__, 2).'/library'))->all()));

it('prints every entered value into a library form, in any script', function (string $number) {
    $form = (new Library(dirname(__DIR__, 2).'/library'))->form($number);
    $samples = ['José Nguyễn', '山田太郎', 'Kovačević', 'Zoë'];
    $entries = [];
    $expected = [];
    foreach ($form->blanks as $index => $blank) {
        $value = match ($blank->kind) {
            Kind::Text, Kind::Lines => $samples[$index % 4],
            Kind::Money => 1000 + $index.'.00',
            Kind::Number => (string) (10 + $index),
            Kind::Percent => '7.'.(($index % 10) + 1),
            Kind::Date => '2026-12-18',
            Kind::Time => '15:30',
            Kind::Tick => 'x',
            Kind::Choice => $blank->options[$index % count($blank->options)],
        };
        $entries[$blank->name] = $value;
        if ($blank->kind === Kind::Money || ($blank->kind === Kind::Text && $blank->place->width > 70)) {
            $expected[] = $blank->kind->show($value);
        }
    }
    $pdf = press()->drawOver($form->pdf, FilledPages::draw($form, Filling::of($form, $entries, Facts::from([]))));
    $text = textOf($pdf);
    foreach (array_unique($expected) as $value) {
        expect($text)->toContain($value);
    }
    expect(isClean($pdf))->toBeTrue();
})->with('printed forms');

it('prints Arabic joined and from the right', function () {
    $pdf = press()->print([(new Drawing(612, 792))->entry(new Rect(50, 50, 300, 16), 'أحمد المنصوري')]);
    expect(textOf($pdf))->toMatch('/\p{Arabic}/u');
});

it('keeps the widths that the face itself has', function () {
    $kept = require dirname(__DIR__, 2).'/core/Pages/widths.php';
    foreach ($kept as $character => $width) {
        expect($width)->toBe(Typeface::measure((string) $character), "the width of {$character}");
    }
    expect($kept)
        ->toHaveKeys(['A', 'ñ', 'Ł', 'ữ', 'Ж', '€', '—'])
        ->and(Typeface::width('Wi', 10))
        ->toBe(($kept['W'] + $kept['i']) / 100)
        ->and(Typeface::width('契约', 10))
        ->toBe(20.0);
});

it('keeps long text inside its blank', function (string $text) {
    $drawing = (new Drawing(612, 792))->entry(new Rect(50, 50, 120, 13), $text);
    preg_match_all('/font-size="([\d.]+)"[^>]*>([^<]*)</', $drawing->inner(), $set, PREG_SET_ORDER);
    expect(str_replace(' ', '', html_entity_decode(implode('', array_column($set, 2)))))->toBe(str_replace(' ', '', $text));
    foreach ($set as [, $size, $line]) {
        expect(Typeface::width(html_entity_decode($line), (float) $size))
            ->toBeLessThanOrEqual(120.5)
            ->and((float) $size)
            ->toBeGreaterThanOrEqual(2.9);
    }
})->with([
    'short',
    'Anchorfield Title & Escrow, Tidewick office',
    str_repeat('W', 30),
    str_repeat('W', 90),
    '14 Lanternfish Lane, Tidewick, MW 20417, Ostrander County',
]);

it('puts papers together in order, with a bookmark each and every page', function () {
    $scratch = new Scratch();
    $papers = [];
    foreach (['First — ä', 'Second'] as $index => $title) {
        $pages = array_map(static fn (int $n) => (new Drawing(612, 792))->text(72, 100, 20, "{$title} page {$n}"), range(1, $index + 2));
        $papers[] = new SetPart($title, $scratch->put("{$index}.pdf", press()->print($pages)));
    }
    $pdf = press()->assemble(
        $papers,
        static fn (int $page, int $count) => (new Drawing(612, 792))->text(500, 780, 8, "{$page} / {$count}"),
    );
    $outline = json_decode((new NativeTool())->run(['qpdf', '--json', '--json-key=outlines', $scratch->put('all.pdf', $pdf)]), true)[
        'outlines'
    ];
    expect(array_column($outline, 'title'))
        ->toBe(['First — ä', 'Second'])
        ->and(array_column($outline, 'destpageposfrom1'))
        ->toBe([1, 3])
        ->and(PdfLook::into($scratch->path('all.pdf'))->pages())
        ->toHaveCount(5)
        ->and(textOf($pdf))
        ->toContain('Second page 3')
        ->toMatch('~5\s*/\s*5~')
        ->and(isClean($pdf))
        ->toBeTrue();
});

it('refuses files that are no usable PDF, in words', function (callable $bytes, string $message) {
    $scratch = new Scratch();
    expect(fn () => PdfLook::into($scratch->put('in.pdf', $bytes())))->toThrow(PdfRefused::class, $message);
})->with([
    'empty' => [fn () => '', 'not a PDF'],
    'a picture' => [fn () => "\x89PNG\r\n\x1a\n".random_bytes(200), 'not a PDF'],
    'only a head' => [fn () => "%PDF-1.7\n", 'damaged'],
    'noise after a head' => [fn () => "%PDF-1.7\n".random_bytes(5000), 'damaged'],
    'locked' => [
        function () {
            $scratch = new Scratch();
            (new NativeTool())->run([
                'qpdf',
                '--encrypt',
                'secret',
                'owner',
                '256',
                '--',
                $scratch->put('a.pdf', press()->print([new Drawing(612, 792)])),
                $scratch->path('locked.pdf'),
            ]);

            return $scratch->get('locked.pdf');
        },
        'password',
    ],
    'a page of half an inch' => [
        fn () => str_replace(['612', '792'], ['030', '030'], press()->print([new Drawing(612, 792)])),
        'smaller than an inch',
    ],
]);

it('never throws anything but a refusal at broken input', function () {
    mt_srand(17);
    $refused = 0;
    $good = (string) file_get_contents((new Library(dirname(__DIR__, 2).'/library'))->form('M-222')->pdf);
    for ($i = 0; $i < 40; $i++) {
        $bad = $good;
        for ($n = mt_rand(1, 60); $n > 0; $n--) {
            $bad[mt_rand(0, strlen($bad) - 1)] = chr(mt_rand(0, 255));
        }
        $bad = mt_rand(0, 2) === 0 ? substr($bad, 0, mt_rand(10, strlen($bad))) : $bad;
        $scratch = new Scratch();
        try {
            PdfLook::into($scratch->put('in.pdf', $bad))->pages();
        } catch (PdfRefused $refusal) {
            expect($refusal->getMessage())->not->toBe('');
            $refused++;
        }
    }
    expect($refused)->toBeGreaterThan(5);
});

it('draws a page as a picture', function () {
    $image = PageImage::of((new Library(dirname(__DIR__, 2).'/library'))->form('M-222')->pdf, 1, 60);
    expect(substr($image, 0, 4).substr($image, 8, 4))->toBe('RIFFWEBP');
});

it('stops a program that runs too long or is not there', function () {
    $busy = fn () => (new NativeTool(1))->run(['php', '-r', 'while (true) {}']);
    $waits = fn () => (new NativeTool(1, wall: 1))->run(['sleep', '5']);
    expect($busy)
        ->toThrow(ToolFailed::class, 'worked longer than 1')
        ->and($waits)
        ->toThrow(ToolFailed::class, 'had no time for it within 1')
        ->and(fn () => (new NativeTool())->run(['no-such-program']))
        ->toThrow(ToolFailed::class);
});

it('leaves no temporary files', function () {
    $scratch = new Scratch();
    $path = $scratch->put('a', 'b');
    unset($scratch);
    expect(file_exists($path))->toBeFalse()->and(file_exists(dirname($path)))->toBeFalse();
});

it('refuses a place without extent', fn () => new Rect(1, 1, 0, 5))->throws(InvalidArgumentException::class);

it('ends with a program what that has begun', function () {
    $mark = 'unanimus-'.bin2hex(random_bytes(6));
    expect(fn () => (new NativeTool(1))->run(['unshare', 'sh', '-c', "exec -a {$mark} sleep 30 & sleep 30"]))->toThrow(ToolFailed::class);
    usleep(200_000);
    $running = array_filter(
        glob('/proc/[0-9]*/cmdline') ?: [],
        static fn (string $path) => str_starts_with((string) @file_get_contents($path), $mark),
    );
    expect($running)->toBe([]);
});

it('takes its folder away when it is done, and what killed work has left, but nothing that is in use', function () {
    $scratch = new Scratch();
    $folder = dirname($scratch->put('page.svg', 'x'));
    $left = sys_get_temp_dir().'/unanimus-'.bin2hex(random_bytes(8));
    $other = sys_get_temp_dir().'/unanimus-'.bin2hex(random_bytes(8)).'-not-ours';
    foreach ([$left, "{$left}/in", $other] as $made) {
        mkdir($made);
    }
    file_put_contents("{$left}/in/paper.pdf", '%PDF');
    touch($left, time() - 7200);
    touch($other, time() - 7200);
    expect(Scratch::clear(3600))
        ->toBeGreaterThanOrEqual(1)
        ->and(is_dir($left))
        ->toBeFalse()
        ->and(is_dir($folder))
        ->toBeTrue()
        ->and(is_dir($other))
        ->toBeTrue();
    rmdir($other);
    unset($scratch);
    expect(is_dir($folder))->toBeFalse();
});
