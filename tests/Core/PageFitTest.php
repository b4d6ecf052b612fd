<?php

declare(strict_types=1);

use Unanimus\Pages\Rect;
use Unanimus\Pages\Word;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\MarkSpot;
use Unanimus\Signing\PageFit;
use Unanimus\Steps\StepRefused;

/** @param  list<array{string, float|int, float|int}>  $words  text, left, foot @return list<Word> */
function printOf(array $words, float $scale = 1.0, float $right = 0.0, ?Closure $down = null): array
{
    return array_map(static fn (array $one) => new Word(
        $one[0],
        $one[1] * $scale + $right,
        $one[2] * $scale + ($down === null ? 0.0 : $down($one[2])) - 10 * $scale,
        5.0 * $scale * strlen($one[0]),
        10.0 * $scale,
    ), $words);
}

/** Twelve words in four columns and three rows, far enough apart that a scale can be told. */
const PRINTED = [
    ['heron', 72, 100], ['lantern', 200, 100], ['orchard', 340, 100], ['meadow', 470, 100],
    ['granite', 72, 300], ['willow', 200, 300], ['harbour', 340, 300], ['thistle', 470, 300],
    ['pebble', 72, 500], ['saffron', 200, 500], ['juniper', 340, 500], ['copper', 470, 500],
];

/** @return list<float>|null */
function liesAt(array $from, array $to, Rect $place = new Rect(200, 280, 100, 20)): ?array
{
    $there = PageFit::between($from, $to)?->place($place);

    return $there === null ? null : [$there->x, $there->y, $there->width, $there->height];
}

it('finds a place again on another print of its page', function (float $scale, float $right, float $down, array $expected) {
    expect(liesAt(printOf(PRINTED), printOf(PRINTED, $scale, $right, fn () => $down)))->toBe($expected);
})->with([
    'the same' => [1.0, 0.0, 0.0, [200.0, 280.0, 100.0, 20.0]],
    'moved' => [1.0, 12.5, -7.0, [212.5, 273.0, 100.0, 20.0]],
    'smaller and moved' => [0.9, 30.0, 40.0, [210.0, 292.0, 90.0, 18.0]],
    'larger' => [2.0, -60.0, 5.0, [340.0, 565.0, 200.0, 40.0]],
    'as small as it may be' => [0.26, 0.0, 0.0, [52.0, 72.8, 26.0, 5.2]],
    'as large as it may be' => [3.9, 0.0, 0.0, [780.0, 1092.0, 390.0, 78.0]],
]);

it('gives places to the hundredth of a point', function () {
    expect(liesAt(printOf(PRINTED), printOf(PRINTED, 0.9333, 0.127, fn () => 0.254), new Rect(201.37, 280.41, 100.7, 20.3)))
        ->toBe([188.07, 261.96, 93.98, 18.95]);
});

it('takes a print of quite another size for one of the same size', function (float $scale) {
    $there = PageFit::between(printOf(PRINTED), printOf(PRINTED, $scale))?->place(new Rect(200, 280, 100, 20));
    expect([$there?->width, $there?->height])->toBe([100.0, 20.0]);
})->with([0.2, 0.25, 4.0, 4.4]);

it('follows what was pushed down by what was filled in above it', function () {
    $pushed = printOf(PRINTED, 1.0, 0.0, fn (float $foot) => $foot > 200 ? 36.0 : 0.0);
    expect(liesAt(printOf(PRINTED), $pushed))
        ->toBe([200.0, 316.0, 100.0, 20.0])
        ->and(liesAt(printOf(PRINTED), $pushed, new Rect(200, 80, 100, 20)))
        ->toBe([200.0, 80.0, 100.0, 20.0])
        ->and(liesAt(printOf(PRINTED), $pushed, new Rect(200, 480, 100, 20)))
        ->toBe([200.0, 516.0, 100.0, 20.0]);
});

it('goes by the words on the same line before those of other lines, though these are nearer', function () {
    // Of the nearest words by distance alone those above would be four of six.
    $words = [
        ['birch', 100, 300], ['cedar', 220, 300], ['hazel', 340, 300], ['maple', 460, 300],
        ['robin', 275, 255], ['raven', 300, 255], ['finch', 325, 255], ['swift', 290, 240], ['otter', 310, 240],
    ];
    $there = printOf($words, 1.0, 0.0, fn (float $foot) => $foot > 280 ? 20.0 : 0.0);
    expect(liesAt(printOf($words), $there, new Rect(280, 280, 60, 20))[1] ?? null)->toBe(300.0);
});

it('goes by the words around the middle of a wide place', function () {
    // The left column stays, the right one is pushed down.
    $words = [];
    foreach (range(0, 7) as $row) {
        $words[] = ["left{$row}x", 40, 100 + 30 * $row];
        $words[] = ["right{$row}x", 430, 100 + 30 * $row];
    }
    $there = array_merge(...array_map(
        fn (array $one) => printOf([$one], 1.0, 0.0, fn () => $one[1] > 200 ? 25.0 : 0.0),
        $words,
    ));
    expect(liesAt(printOf($words), $there, new Rect(180, 190, 240, 20)))->toBe([180.0, 215.0, 240.0, 20.0])
        ->and(liesAt(printOf($words), $there, new Rect(60, 190, 200, 20))[1] ?? null)->toBe(190.0);
});

it('rests on five words at least', function () {
    expect(liesAt(printOf(array_slice(PRINTED, 0, 4)), printOf(PRINTED)))
        ->toBeNull()
        ->and(liesAt(printOf(array_slice(PRINTED, 0, 5)), printOf(PRINTED)))
        ->toBe([200.0, 280.0, 100.0, 20.0]);
});

it('does not go by words that stand twice, are short, or are no words', function () {
    $odd = [['ab', 72, 100], ['cd', 90, 300], ['ef', 72, 400], ['gh', 40, 500], ['____', 72, 520], ['***', 90, 540]];
    $twice = [['heron', 72, 100], ['heron', 200, 200], ['wren', 72, 300], ['wren', 90, 400], ['tern', 72, 410], ['tern', 72, 430]];
    expect(liesAt(printOf($odd), printOf($odd)))
        ->toBeNull()
        ->and(liesAt(printOf($twice), printOf(array_reverse($twice))))
        ->toBeNull()
        // One that stands once on the first page and twice on the second is none to go by either.
        ->and(liesAt(printOf(array_slice(PRINTED, 0, 5)), printOf([...array_slice(PRINTED, 0, 5), ['granite', 10, 700]])))
        ->toBe([200.0, 280.0, 100.0, 20.0])
        ->and(liesAt(printOf(array_slice(PRINTED, 0, 5)), printOf([...array_slice(PRINTED, 0, 4), ['copper', 1, 1], ['granite', 72, 300],
            ['granite', 10, 700]])))
        ->toBeNull();
});

it('goes on from a word that stands once to those that follow and go before it alike', function () {
    $form = [
        ['buyer', 72, 100], ['date', 300, 100], ['buyer', 72, 130], ['date', 300, 130], ['granite', 72, 160], ['buyer', 72, 200],
        ['date', 300, 200],
    ];
    $there = printOf($form, 1.0, 0.0, fn (float $foot) => $foot > 180 ? 50.0 : 10.0);
    expect(liesAt(printOf($form), $there, new Rect(100, 80, 100, 20)))
        ->toBe([100.0, 90.0, 100.0, 20.0]);
});

it('keeps a mark that is put by hand on its page, and no smaller than can be read', function (
    string $kind,
    array $given,
    array $expected,
) {
    $rect = MarkSpot::on(MarkKind::from($kind), $given, [612.0, 792.0]);
    expect([$rect->x, $rect->y, $rect->width, $rect->height])->toBe($expected);
})->with([
    'as it is' => ['signature', ['x' => 100.456, 'y' => '200.125', 'w' => 180, 'h' => 24], [100.46, 200.13, 180.0, 24.0]],
    'too small' => ['signature', [100, 200, 3, 2], [100.0, 200.0, 60.0, 12.0]],
    'off the upper left' => ['initials', [-5, -0.5, 30, 12], [0.0, 0.0, 30.0, 12.0]],
    'off the lower right' => ['date', [600, 790, 80, 14], [532.0, 778.0, 80.0, 14.0]],
    'larger than the page' => ['text', [10, 10, 5000, 5000], [0.0, 0.0, 612.0, 792.0]],
    'at the corner' => ['tick', [0, 0, 6, 6], [0.0, 0.0, 6.0, 6.0]],
    'with thirds' => ['text', [1 / 3, 2 / 3, 61 / 3, 25 / 3], [0.33, 0.67, 20.33, 8.33]],
    'initials' => ['initials', [1, 1, 1, 1], [1.0, 1.0, 16.0, 9.0]],
    'a date' => ['date', [1, 1, 1, 1], [1.0, 1.0, 40.0, 8.0]],
    'a name' => ['name', [1, 1, 1, 1], [1.0, 1.0, 50.0, 8.0]],
    'a time' => ['time', [1, 1, 1, 1], [1.0, 1.0, 36.0, 8.0]],
    'a moment' => ['moment', [1, 1, 1, 1], [1.0, 1.0, 60.0, 8.0]],
    'a capacity' => ['capacity', [1, 1, 1, 1], [1.0, 1.0, 50.0, 8.0]],
    'a company' => ['company', [1, 1, 1, 1], [1.0, 1.0, 50.0, 8.0]],
    'a text' => ['text', [1, 1, 1, 1], [1.0, 1.0, 20.0, 8.0]],
    'a tick' => ['tick', [1, 1, 1, 1], [1.0, 1.0, 6.0, 6.0]],
    'words struck out' => ['strike', [1, 1, 1, 1], [1.0, 1.0, 8.0, 6.0]],
]);

it('keeps a mark on a page that is smaller than the mark', function () {
    $rect = MarkSpot::on(MarkKind::Signature, [10, 10, 200, 30], [50.0, 9.0]);
    expect([$rect->x, $rect->y, $rect->width, $rect->height])->toBe([0.0, 0.0, 50.0, 9.0]);
});

it('refuses what is no place', function (array $given) {
    MarkSpot::on(MarkKind::Date, $given, [612.0, 792.0]);
})->with([[[1, 2, 3]], [[1, 2, 3, 4, 5]], [[1, 2, 3, 'wide']], [[]], [[1, 2, 3, null]]])->throws(StepRefused::class);
