<?php

declare(strict_types=1);

use Unanimus\Dates\DateRequest;
use Unanimus\Dates\DeadlineRule;
use Unanimus\Dates\RuleUnreadable;

/** @param  array<string, mixed>  $request @return array<string, mixed> */
function answerTo(array $request): array
{
    return DateRequest::fromJson(json_encode($request, JSON_THROW_ON_ERROR), new DateTimeImmutable('2026-11-24 03:00:00 UTC'))->answer();
}

it('answers a request whole: days, instants, sentences, what waits and what speaks against a day', function () {
    $answer = answerTo([
        'zone' => 'America/New_York',
        'holidays' => ['2026-12-01' => 'Founders’ Day', '2026-12-02', ['day' => '2026-12-03', 'name' => 'Fair'], ['date' => '2026-12-04']],
        'anchors' => [
            'acceptance' => ['day' => '2026-11-06', 'label' => 'Acceptance', 'time' => '17:30'],
            'final_walk' => '2026-12-18T02:00:00Z',
        ],
        'rules' => [
            ['name' => 'earnest', 'anchor' => 'acceptance', 'days' => 3, 'business' => true, 'cutOff' => '17:00'],
            ['name' => 'walk', 'anchor' => 'final_walk', 'count' => 2, 'unit' => 'hours'],
            ['name' => 'title', 'anchor' => 'acceptance', 'days' => 25, 'roll' => 'none', 'label' => 'Title work'],
            ['name' => 'later', 'anchor' => 'recording', 'days' => 1],
        ],
        'overrides' => ['title' => ['day' => '2026-11-29', 'reason' => 'county closed.']],
    ]);
    expect($answer['zone'])
        ->toBe('America/New_York')
        ->and($answer['today'])
        ->toBe('2026-11-23')
        ->and($answer['waiting'])
        ->toBe([['name' => 'later', 'anchor' => 'recording']])
        ->and(array_column($answer['dates'], null, 'name'))
        ->toBe([
            'earnest' => [
                'name' => 'earnest',
                'label' => 'Earnest',
                'day' => '2026-11-12',
                'weekday' => 'Thursday',
                'cutOff' => '17:00',
                'ends' => '2026-11-12T17:00:00-05:00',
                'endsUtc' => '2026-11-12T22:00:00Z',
                'byHand' => false,
                'computed' => '2026-11-12',
                'because' => '3 business days after acceptance (Fri, Nov 6), skipping Veterans Day (Wed, Nov 11), by 5:00 pm.',
                'conflicts' => ['past'],
            ],
            'title' => [
                'name' => 'title',
                'label' => 'Title work',
                'day' => '2026-11-29',
                'weekday' => 'Sunday',
                'cutOff' => null,
                'ends' => '2026-11-29T23:59:59-05:00',
                'endsUtc' => '2026-11-30T04:59:59Z',
                'byHand' => true,
                'computed' => '2026-12-01',
                'because' => 'Set by hand to Sun, Nov 29: county closed. By rule: 25 days after acceptance (Fri, Nov 6).',
                'conflicts' => ['weekend'],
            ],
            'walk' => [
                'name' => 'walk',
                'label' => 'Walk',
                'day' => '2026-12-17',
                'weekday' => 'Thursday',
                'cutOff' => '23:00',
                'ends' => '2026-12-17T23:00:00-05:00',
                'endsUtc' => '2026-12-18T04:00:00Z',
                'byHand' => false,
                'computed' => '2026-12-17',
                'because' => '2 hours after final walk (Thu, Dec 17), by 11:00 pm.',
                'conflicts' => [],
            ],
        ]);
});

it('takes holidays in every form that is told, and the federal ones only where they are wanted', function () {
    $dates = static fn (array $holidays, bool $federal = true) => array_column(answerTo([
        'federal' => $federal,
        'holidays' => $holidays,
        'anchors' => ['a' => '2026-12-24'],
        'rules' => [['name' => 'next', 'anchor' => 'a', 'days' => 1]],
    ])['dates'], 'because', 'day');
    expect($dates([]))
        ->toBe(['2026-12-28' => '1 day after a (Thu, Dec 24) is Fri, Dec 25, Christmas Day, so Mon, Dec 28.'])
        ->and($dates([], false))
        ->toBe(['2026-12-25' => '1 day after a (Thu, Dec 24).'])
        ->and($dates(['2026-12-25'], false))
        ->toBe(['2026-12-28' => '1 day after a (Thu, Dec 24) is Fri, Dec 25, a holiday, so Mon, Dec 28.'])
        ->and($dates([['day' => '2026-12-25', 'name' => 7]], false))
        ->toBe(['2026-12-28' => '1 day after a (Thu, Dec 24) is Fri, Dec 25, a holiday, so Mon, Dec 28.'])
        ->and($dates(['2026-12-25' => 'Fair', '2026-12-28' => 'Fair again'], false))
        ->toBe(['2026-12-29' => '1 day after a (Thu, Dec 24) is Fri, Dec 25, Fair, so Tue, Dec 29, past Fair again (Mon, Dec 28).']);
});

it('refuses in words what cannot be read', function (array|string $request, string $told) {
    $json = is_string($request) ? $request : json_encode($request, JSON_THROW_ON_ERROR);
    expect(fn () => DateRequest::fromJson($json, new DateTimeImmutable('2026-11-24'))->answer())->toThrow(RuleUnreadable::class, $told);
})->with([
    ['{', 'This is no JSON: '],
    ['[1]', 'The request is a JSON object'],
    ['7', 'The request is a JSON object'],
    [['zon' => 'UTC'], 'The request has “zon”, which is not known. It may have zone, today, federal, holidays, anchors, rules, overrides.'],
    [['x'.str_repeat('y', 60) => 1], 'The request has “x'.str_repeat('y', 38).'…”'],
    [['zone' => 'Nowhere/Else'], '“zone” is a time zone'],
    [['zone' => 7], '“zone” is a time zone'],
    [['today' => 'soon'], '“today” is a day such as 2026-12-18'],
    [['federal' => 'false'], '“federal” is true or false'],
    [['holidays' => '2026-12-25'], '“holidays” is a list of days, or days with their names.'],
    [['holidays' => ['soon']], 'holiday is a day such as'],
    [['anchors' => ['2026-12-18']], '“anchors” is an object'],
    [['anchors' => ['a' => '2026-02-30']], 'anchor “a” is a day such as'],
    [
        ['anchors' => ['a' => ['day' => '2026-12-18', 'hour' => 1]]],
        'Anchor “a” has “hour”, which is not known. It may have day, label, time.',
    ],
    [['anchors' => ['a' => ['label' => 'x']]], 'anchor “a” is a day such as'],
    [['anchors' => ['a' => ['day' => '2026-12-18', 'time' => 17]]], 'no time of day'],
    [['anchors' => ['a' => '2026-12-18T24:00:00Z']], 'anchor “a” is a day such as'],
    [['anchors' => ['a' => '2026-12-18T23:60:00Z']], 'anchor “a” is a day such as'],
    [['anchors' => ['a' => '2026-12-18T23:59:60Z']], 'anchor “a” is a day such as'],
    [['anchors' => ['a' => '2026-12-18T23:59:59+15:00']], 'anchor “a” is a day such as'],
    [['anchors' => ['a' => '2026-12-18T23:59:59+14:60']], 'anchor “a” is a day such as'],
    [['anchors' => ['a' => '2026-12-18T23:59:59']], 'anchor “a” is a day such as'],
    [['rules' => 'x'], '“rules” is a list.'],
    [['rules' => ['x' => 1]], '“rules” is a list.'],
    [['rules' => [['earnest']]], 'Each rule is an object.'],
    [['rules' => [7]], 'Each rule is an object.'],
    [
        ['rules' => [['name' => 'a', 'anchor' => 'b', 'days' => 1], ['name' => 'a', 'anchor' => 'c', 'days' => 1]]],
        'Two rules are named “a”.',
    ],
    [['overrides' => ['a' => '2026-12-18']], 'There is no rule “a”'],
    [
        ['overrides' => ['a' => ['day' => '2026-12-18', 'why' => 'x']]],
        'Override “a” has “why”, which is not known. It may have day, reason.',
    ],
    [['overrides' => ['a' => ['day' => '2026-12-18', 'reason' => 7]]], 'The reason of override “a” is a text.'],
    [['overrides' => ['a' => 'soon']], 'override “a” is a day such as'],
]);

it('takes an instant at the edge of what there is, in the day it is in the zone', function (string $instant, string $day) {
    $answer = answerTo(['zone' => 'America/New_York', 'anchors' => ['a' => $instant], 'rules' => [
        ['name' => 'x', 'anchor' => 'a', 'days' => 0, 'roll' => 'none'],
    ]]);
    expect($answer['dates'][0]['day'])->toBe($day);
})->with([
    ['2026-12-18T23:59:59Z', '2026-12-18'],
    ['2026-12-18T00:00:00Z', '2026-12-17'],
    ['2026-12-18T00:00Z', '2026-12-17'],
    [' 2026-12-18T23:59:59.123456789+14:59 ', '2026-12-18'],
    ['2026-12-18T00:30:00-05:00', '2026-12-18'],
    ['2026-12-18T00:30:00-0500', '2026-12-18'],
    [' 2026-12-18 ', '2026-12-18'],
]);

it('calls an override without a reason that, and says anchors by their key where they have no label', function () {
    $answer = answerTo([
        'today' => '2026-12-01',
        'anchors' => ['offer_date' => '2026-12-07', 'b' => ['day' => '2026-12-07', 'label' => 7]],
        'rules' => [['name' => 'x', 'anchor' => 'offer_date', 'days' => 1], ['name' => 'y.z-a', 'anchor' => 'b', 'days' => 1]],
        'overrides' => ['x' => '2026-12-09'],
    ]);
    expect(array_column($answer['dates'], 'because', 'name'))
        ->toBe([
            'y.z-a' => '1 day after b (Mon, Dec 7).',
            'x' => 'Set by hand to Wed, Dec 9: no reason given. By rule: 1 day after offer date (Mon, Dec 7).',
        ])
        ->and(array_column($answer['dates'], 'label'))
        ->toBe(['Y z a', 'X'])
        ->and($answer['today'])
        ->toBe('2026-12-01');
});

it('reads a rule in each of its forms, and writes it as it is kept', function (array $given, array $kept) {
    expect(DeadlineRule::fromArray(['name' => 'x', 'anchor' => 'a', ...$given])->toArray())
        ->toBe(
            [
                'name' => 'x',
                'label' => 'X',
                'anchor' => 'a',
                'days' => 5,
                'unit' => 'calendar',
                'roll' => 'forward',
                'cutOff' => null,
                ...$kept,
            ],
        );
})->with([
    [['days' => 5], []],
    [['count' => 5], []],
    [['days' => 5, 'count' => 9], []],
    [['days' => -5], ['days' => -5, 'roll' => 'backward']],
    [['days' => 5, 'direction' => 'before'], ['days' => -5, 'roll' => 'backward']],
    [['days' => 5, 'direction' => 'after'], []],
    [['days' => 0, 'direction' => 'before'], ['days' => 0]],
    [['days' => 5, 'roll' => 'none'], ['roll' => 'none']],
    [['days' => 5, 'business' => true], ['unit' => 'business']],
    [['days' => 5, 'business' => false], []],
    [['days' => 5, 'business' => true, 'unit' => 'hours'], ['unit' => 'hours']],
    [['days' => 5, 'label' => ' '], ['label' => 'x']],
    [['days' => 5, 'label' => 7], ['label' => 'x']],
    [['days' => 5, 'label' => 'Inspection'], ['label' => 'Inspection']],
    [['days' => 5, 'cutOff' => 'midnight'], ['cutOff' => '24:00']],
    [['days' => 5, 'cutOff' => '17:00', 'lateAfter' => '16:30'], ['cutOff' => '17:00', 'lateAfter' => '16:30']],
    [['days' => 5, 'shortLimit' => 60], ['shortLimit' => 60]],
    [['days' => 5, 'shortLimit' => 0], []],
    [['days' => 3660], ['days' => 3660]],
    [['days' => -3660], ['days' => -3660, 'roll' => 'backward']],
]);

it('refuses a rule in words', function (array $given, string $told) {
    expect(fn () => DeadlineRule::fromArray([...['name' => 'x', 'anchor' => 'a', 'days' => 1], ...$given]))
        ->toThrow(RuleUnreadable::class, $told);
})->with([
    [['name' => ''], 'A rule needs a name'],
    [['name' => '1x'], 'A rule needs a name'],
    [['name' => 'x'.str_repeat('y', 60)], 'A rule needs a name'],
    [['name' => 7], 'A rule needs a name'],
    [['day' => 1], 'Rule “x”: “day” is nothing a rule has. It has name, label, anchor, days, count, unit, business, direction, roll, '
        .'cutOff, lateAfter, shortLimit.'],
    [['z'.str_repeat('y', 60) => 1], 'Rule “x”: “z'.str_repeat('y', 38).'…” is'],
    [['anchor' => ''], 'Rule “x”: name the anchor'],
    [['anchor' => 7], 'Rule “x”: name the anchor'],
    [['days' => '5'], '“days” is a whole number up to 3660.'],
    [['days' => 3661], '“days” is a whole number'],
    [['days' => -3661], '“days” is a whole number'],
    [['business' => 1], '“business” is true or false.'],
    [['unit' => 'weeks'], '“unit” is calendar, business, business with saturdays, months, hours.'],
    [['unit' => 7], '“unit” is calendar'],
    [['direction' => 'around'], '“direction” is after or before'],
    [['direction' => 'before', 'days' => -1], '“direction” is after or before'],
    [['roll' => 'up'], '“roll” is none, forward or backward.'],
    [['shortLimit' => 61], '“shortLimit” is a whole number of days up to 60.'],
    [['shortLimit' => -1], '“shortLimit”'],
    [['shortLimit' => '5'], '“shortLimit”'],
    [['cutOff' => 17], '“cutOff” is a time of day'],
    [['cutOff' => ''], '“cutOff” is a time of day'],
    [['lateAfter' => 'late'], '“lateAfter” is a time of day'],
]);
