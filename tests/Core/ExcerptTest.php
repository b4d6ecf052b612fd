<?php

declare(strict_types=1);

use Unanimus\Finding\Excerpt;
use Unanimus\Finding\Query;

it('shows where a paper says what was looked for, in its own words', function (array $pages, string $phrase, ?int $page, ?string $text) {
    $found = Excerpt::of($pages, Query::plain($phrase));
    expect($found?->page)->toBe($page)->and($found?->text)->toBe($text);
})->with([
    'on a later page' => [[1 => 'Nothing here', 2 => 'The roof leaks.'], 'roof', 2, 'The roof leaks.'],
    'across accents and marks' => [[1 => 'Signed by Nguyễn-Ortiz, owner'], 'nguyen ortiz', 1, 'Signed by Nguyễn-Ortiz, owner'],
    'across lines' => [[1 => "lies in the flood\n  zone AE"], 'flood zone', 1, 'lies in the flood zone AE'],
    'a word begun' => [[1 => 'one two three four five six septic tank seen by us on that very day'], 'sept', 1,
        '… two three four five six septic tank seen by us on …'],
    'the end alone' => [[1 => 'a b c d e f g h end'], 'end', 1, '… d e f g h end'],
    'marks alone between' => [[1 => 'oil — tank'], 'oil tank', 1, 'oil — tank'],
    'not there' => [[1 => 'The roof holds.'], 'cellar', null, null],
    'not over two pages' => [[1 => 'flood', 2 => 'zone'], 'flood zone', null, null],
    'nothing asked' => [[1 => 'flood'], '', null, null],
    'no page' => [[], 'flood', null, null],
]);
