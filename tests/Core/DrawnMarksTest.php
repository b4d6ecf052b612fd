<?php

declare(strict_types=1);

use Unanimus\Pages\Drawing;
use Unanimus\Pages\Rect;
use Unanimus\Signing\Act;
use Unanimus\Signing\ActsMade;
use Unanimus\Signing\AdoptedSignature;
use Unanimus\Signing\MarkDrawing;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\ProposedMark;
use Unanimus\Signing\Seat;
use Unanimus\Signing\Turn;

/** @return list<array{float, float, float, float}> the lines of a drawing: x1, y1, x2, y2 */
function linesIn(Drawing $drawing): array
{
    preg_match_all('/<path d="M([\d.]+) ([\d.]+) ?L([\d.]+) ([\d.]+)"/', $drawing->inner(), $lines, PREG_SET_ORDER);

    return array_map(static fn (array $one) => array_map(floatval(...), array_slice($one, 1)), $lines);
}

it('strikes each line of the words once, in the middle of each', function (float $height, array $at) {
    $drawing = new Drawing(612, 792);
    MarkDrawing::on($drawing, MarkKind::Strike, new Rect(100, 200, 120, $height), null, '');
    expect(linesIn($drawing))->toBe(array_map(static fn (float $y) => [100.0, $y, 220.0, $y], $at));
})->with([
    'less than a line' => [6.0, [203.0]],
    'one line' => [15.0, [207.5]],
    'nearly two' => [22.4, [211.2]],
    'two' => [22.6, [205.65, 216.95]],
    'three' => [45.0, [207.5, 222.5, 237.5]],
]);

it('puts the initials of whoever struck words at their end, on the page', function () {
    $signature = AdoptedSignature::typed('Sunniva Eide', 'SE', 'flowing');
    $struck = static function (float $y) use ($signature): string {
        $drawing = new Drawing(612, 792);
        MarkDrawing::on($drawing, MarkKind::Strike, new Rect(100, $y, 120, 15), $signature, '');

        return $drawing->inner();
    };
    expect($struck(200.0))
        ->toContain($signature->initialsIn(new Rect(208, 192, 24, 9)))
        ->and($struck(3.0))
        ->toContain($signature->initialsIn(new Rect(208, 0.5, 24, 9)));
});

it('draws no text where there is none, and several lines where the text has several', function () {
    $drawn = static function (string $text): string {
        $drawing = new Drawing(612, 792);
        MarkDrawing::on($drawing, MarkKind::Text, new Rect(100, 200, 120, 40), null, $text);

        return $drawing->inner();
    };
    expect($drawn(''))
        ->toBe('')
        ->and(substr_count($drawn('one line'), '<text'))
        ->toBe(1)
        ->and(substr_count($drawn("one line\nand another"), '<text'))
        ->toBe(2);
});

it('prints a proposed place from the lower left, in hundredths of a point', function () {
    $mark = new ProposedMark(2, new Rect(10.006, 20.004, 30.111, 12.222), MarkKind::Date, Seat::of('buyer.1'), 'buyer', 0.8449);
    expect($mark->toArray(792.0))->toBe([
        'page' => 2,
        'rect' => [10.01, 759.77, 40.12, 772.0],
        'kind' => 'date',
        'seat' => 'buyer.1',
        'word' => 'buyer',
        'sure' => 0.84,
    ]);
    $mark = $mark->at(new Rect(1.126, 2, 3, 4), 0.855);
    expect($mark->toArray(100.0)['rect'])->toBe([1.13, 94.0, 4.13, 98.0])->and($mark->toArray(100.0)['sure'])->toBe(0.86);
});

it('keeps what others did when one more mark is made, taken back, or a seat begins anew', function () {
    $box = new Act('box');
    $turns = [
        'buyer.1' => new Turn('buyer.1', 1, [$box, new Act('hung', when: 'box'), new Act('or', group: 'g'), new Act('else', group: 'g')]),
        'buyer.2' => new Turn('buyer.2', 1, [new Act('name')]),
    ];
    $act = static fn (string $seat, string $key) => $turns[$seat]->act($key) ?? throw new LogicException($key);
    $made = (new ActsMade($turns))
        ->with('buyer.2', $act('buyer.2', 'name'), 'Eide')
        ->with('buyer.1', $act('buyer.1', 'hung'), 'two')
        ->with('buyer.1', $act('buyer.1', 'or'), null);
    // What hangs on a box that is not ticked was made, and does not stand.
    expect([$made->of('buyer.1'), $made->standing(), $made->values])
        ->toBe([['hung', 'or'], ['name', 'or'], ['name' => 'Eide', 'hung' => 'two']])
        ->and($made->owedBy('buyer.1'))
        ->toBe(['box'])
        ->and($made->owedBy('seller.1'))
        ->toBe([]);
    $made = $made->with('buyer.1', $box, null)->with('buyer.1', $act('buyer.1', 'else'), null)->with('buyer.1', $box, null);
    expect([$made->of('buyer.1'), $made->standing()])->toBe([['hung', 'box', 'else'], ['name', 'hung', 'box', 'else']]);
    $less = $made->without('buyer.1', 'hung');
    expect([$less->of('buyer.1'), $less->of('buyer.2'), $less->values])->toBe([['box', 'else'], ['name'], ['name' => 'Eide']]);
    $anew = $made->withoutSeat('buyer.1');
    expect([$anew->of('buyer.1'), $anew->of('buyer.2'), $anew->values])->toBe([[], ['name'], ['name' => 'Eide']]);
    // A ring of places that hang on each other never stands, though all were made.
    $ring = ['buyer.1' => new Turn('buyer.1', 1, [new Act('a', when: 'b'), new Act('b', when: 'a')])];
    $both = new ActsMade($ring, ['buyer.1' => ['a', 'b']]);
    expect([$both->standing(), $both->owedBy('buyer.1')])->toBe([[], []]);
});
