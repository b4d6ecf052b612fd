<?php

declare(strict_types=1);

use Unanimus\Forms\Surroundings;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Word;
use Unanimus\Pages\WritingPlace;

/** Words by where they begin: "x y word". @param  list<string>  $words @return list<Word> */
function wordsAt(array $words): array
{
    return array_map(static function (string $one): Word {
        [$x, $y, $text] = explode(' ', $one, 3);

        return new Word($text, (float) $x, (float) $y, 5.0 * mb_strlen($text), 10.0);
    }, $words);
}

/** The first and last step at which a word that moves is part of what is asked for. @param  Closure(float): string  $asked */
function reach(Closure $asked, float $from, float $to, float $step = 0.5): array
{
    $found = [];
    for ($at = $from; $at <= $to; $at += $step) {
        str_contains($asked($at), 'Ab') && ($found[] = $at);
    }

    return $found === [] ? [] : [$found[0], $found[count($found) - 1]];
}

it('reaches as far for the words of a place as a reader would', function (string $by, string $shape, string $asked, array $x, array $y) {
    $at = new WritingPlace($shape, new Rect(200, 300, 100, 14), $by);
    $said = static fn (float $x, float $y): string => (new Surroundings($at, [$at], [new Word('Ab', $x, $y, 10, 10)]))->{$asked}();
    expect(reach(fn (float $moved) => $said($moved, $y[2]), 0, 420))->toBe([$x[0], $x[1]])
        ->and(reach(fn (float $moved) => $said($x[2], $moved), 240, 360))->toBe([$y[0], $y[1]]);
})->with([
    'before' => ['ruled line', 'line', 'before', [144.0, 192.5, 180], [296.5, 311.5, 303]],
    'after' => ['ruled line', 'line', 'after', [297.5, 324.0, 305], [296.5, 311.5, 303]],
    'below' => ['ruled line', 'line', 'below', [188.5, 299.5, 220], [308.0, 322.5, 316]],
    'near' => ['ruled line', 'line', 'near', [0.0, 324.0, 220], [280.5, 322.5, 303]],
    'the heading of a cell' => ['cell', 'box', 'label', [195.5, 294.5, 230], [240.0, 295.5, 270]],
]);

it('takes seven words at most, the nearest, in the order of reading', function () {
    $at = new WritingPlace('line', new Rect(300, 300, 100, 14), 'underscores');
    $line = array_map(static fn (int $n) => (290 - 12 * $n).' 303 w'.$n, range(1, 9));
    expect((new Surroundings($at, [$at], wordsAt($line)))->before())->toBe('w7 w6 w5 w4 w3 w2 w1');
    $after = array_map(static fn (int $n) => (392 + 12 * $n).' 303 w'.$n, range(1, 9));
    expect((new Surroundings($at, [$at], wordsAt(array_reverse($after))))->after())->toBe('w1 w2 w3 w4 w5 w6 w7');
    $below = array_map(static fn (int $n) => (300 + 11 * ($n % 4)).' '.(309 + 4 * intdiv($n, 4)).' v'.$n, range(0, 9));
    expect((new Surroundings($at, [$at], wordsAt(array_reverse($below))))->below())->toBe('v0 v1 v2 v3 v4 v5 v6');
});

it('stops at a gap in the line, and at the place beside it', function () {
    $at = new WritingPlace('line', new Rect(300, 300, 60, 14), 'underscores');
    $words = wordsAt(['200 303 far', '231 303 of', '245 303 the', '264 303 price']);
    expect((new Surroundings($at, [$at], $words))->before())->toBe('far of the price');
    $gap = wordsAt(['150 303 far', '231 303 of', '245 303 the', '264 303 price']);
    expect((new Surroundings($at, [$at], $gap))->before())->toBe('of the price');
    $beside = new WritingPlace('line', new Rect(210, 302, 30, 14), 'underscores');
    expect((new Surroundings($at, [$at, $beside], $words))->before())->toBe('of the price');
    // A place on another line is no wall, nor one that reaches under this one.
    $lower = new WritingPlace('line', new Rect(210, 307, 30, 14), 'underscores');
    $under = new WritingPlace('line', new Rect(250, 300, 60, 14), 'underscores');
    expect((new Surroundings($at, [$at, $lower], $words))->before())->toBe('far of the price')
        ->and((new Surroundings($at, [$at, $under], $words))->before())->toBe('far of the price');
    $right = new WritingPlace('line', new Rect(390, 300, 30, 14), 'underscores');
    $after = wordsAt(['365 303 per', '384 303 cent', '408 303 more']);
    expect((new Surroundings($at, [$at], $after))->after())->toBe('per cent more')
        ->and((new Surroundings($at, [$at, $right], $after))->after())->toBe('per cent');
});

it('calls a cell by its row and its column', function () {
    $at = new WritingPlace('box', new Rect(200, 300, 80, 16), 'cell');
    $words = wordsAt([
        '40 303 Deposit', '205 200 Amount', '240 203 due', '205 150 Schedule', '300 200 Other', '205 190 one', '222 190 two',
    ]);
    expect((new Surroundings($at, [$at], $words))->label())->toBe('Deposit Amount due');
    $many = wordsAt(['205 200 a1', '216 200 b2', '227 200 c3', '238 200 d4', '249 200 e5', '260 200 f6']);
    expect((new Surroundings($at, [$at], $many))->label())->toBe('a1 b2 c3 d4 e5');
    // Farther up than a table is high, nothing is its heading; a word close above it is, where there is no other.
    expect((new Surroundings($at, [$at], wordsAt(['205 -11 Head'])))->label())->toBe('')
        ->and((new Surroundings($at, [$at], wordsAt(['205 -9 Head'])))->label())->toBe('Head')
        ->and((new Surroundings($at, [$at], wordsAt(['160 291 Wide'])))->label())->toBe('')
        ->and((new Surroundings($at, [$at], wordsAt(['195 288 '.str_repeat('W', 40)])))->label())->toBe(str_repeat('W', 40));
});

it('prefers what stands under a line that stands alone, and what stands before it in a text', function () {
    $short = new WritingPlace('line', new Rect(200, 300, 100, 14), 'ruled line');
    $long = new WritingPlace('line', new Rect(200, 300, 141, 14), 'ruled line');
    $both = wordsAt(['165 303 County', '210 314 Name']);
    $away = wordsAt(['128 303 County', '210 314 Name']);
    $only = wordsAt(['0 303 Column']);
    expect((new Surroundings($short, [$short], $both))->label())->toBe('County')
        ->and((new Surroundings($long, [$long], $both))->label())->toBe('Name')
        ->and((new Surroundings($short, [$short], $away))->label())->toBe('Name')
        ->and((new Surroundings($short, [$short], $only))->label())->toBe('Column')
        ->and((new Surroundings($short, [$short], wordsAt(['205 288 Above'])))->label())->toBe('Above')
        ->and((new Surroundings($short, [$short], $only))->follows('Column'))->toBeTrue()
        ->and((new Surroundings($short, [$short], wordsAt(['170 303 of', '182 303 $'])))->follows('$'))->toBeTrue()
        ->and((new Surroundings($short, [$short], []))->follows('$'))->toBeFalse();
    $captioned = new WritingPlace('box', new Rect(1, 1, 9, 9), 'box', ' $ ');
    expect((new Surroundings($captioned, [], []))->follows('$'))->toBeTrue();
});
