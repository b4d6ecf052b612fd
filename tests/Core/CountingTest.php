<?php

declare(strict_types=1);

use Unanimus\Dates\BusinessCalendar;
use Unanimus\Dates\DateRequest;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\DeadlineRule;
use Unanimus\Dates\LocalDate;
use Unanimus\Dates\RuleUnreadable;
use Unanimus\Dates\Schedule;

/** @param  array<string, mixed>  $more  @return array<string, mixed> the one date of a request */
function computed(array $rule, string|array $anchor, array $more = []): array
{
    $request = [
        'zone' => 'America/New_York',
        'today' => '2026-11-23',
        'anchors' => ['acceptance' => $anchor],
        'rules' => [['name' => 'x', 'anchor' => 'acceptance', ...$rule]],
        ...$more,
    ];

    return DateRequest::fromJson((string) json_encode($request), new DateTimeImmutable())->answer()['dates'][0];
}

it('counts in the ways contracts do', function (array $rule, string|array $anchor, string $day, string $because) {
    $date = computed($rule, $anchor);
    expect($date['day'])->toBe($day)->and($date['because'])->toContain($because);
})->with([
    'late in the day' => [
        ['days' => 3, 'lateAfter' => '17:00', 'roll' => 'none'],
        '2026-11-20T18:30:00-05:00',
        '2026-11-24',
        'after 5:00 pm, so counted from',
    ],
    'in time' => [
        ['days' => 3, 'lateAfter' => '17:00', 'roll' => 'none'],
        '2026-11-20T16:59:00-05:00',
        '2026-11-23',
        '3 days after acceptance',
    ],
    'late by its own time' => [
        ['days' => 3, 'lateAfter' => '17:00', 'roll' => 'none'],
        ['day' => '2026-11-20', 'time' => '17:01'],
        '2026-11-24',
        'counted from',
    ],
    'hours' => [['days' => 48, 'unit' => 'hours', 'roll' => 'none'], '2026-11-20T15:30:00-05:00', '2026-11-22', 'by 3:30 pm'],
    'hours from a day alone' => [['days' => 48, 'unit' => 'hours', 'roll' => 'none'], '2026-11-20', '2026-11-22', 'by midnight'],
    'hours behind a change of the clocks' => [
        ['days' => 72, 'unit' => 'hours', 'roll' => 'none'],
        '2026-10-30T10:23:00-04:00',
        '2026-11-02',
        'by 9:23 am',
    ],
    'hours over the hour that is left out' => [
        ['days' => 48, 'unit' => 'hours', 'roll' => 'none'],
        '2026-03-07T18:00:00-05:00',
        '2026-03-09',
        'by 7:00 pm',
    ],
    'months' => [['days' => 3, 'unit' => 'months', 'roll' => 'none'], '2026-11-30', '2027-02-28', '3 months after'],
    'a month before' => [
        ['days' => 1, 'unit' => 'months', 'direction' => 'before', 'roll' => 'none'],
        '2026-03-31',
        '2026-02-28',
        '1 month before',
    ],
    'Saturdays counted' => [
        ['days' => 3, 'unit' => 'business with saturdays'],
        '2026-11-25',
        '2026-11-30',
        'skipping Thanksgiving Day (Thu, Nov 26)',
    ],
    'Saturdays not counted' => [['days' => 3, 'unit' => 'business'], '2026-11-25', '2026-12-01', 'skipping Thanksgiving Day (Thu, Nov 26)'],
    'a short period' => [['days' => 4, 'shortLimit' => 6], '2026-11-19', '2026-11-25', 'fewer than 6 days'],
    'one that is not short' => [['days' => 6, 'shortLimit' => 6], '2026-11-19', '2026-11-25', '6 days after'],
    'by midnight' => [['days' => 1, 'cutOff' => 'midnight'], '2026-11-19', '2026-11-20', 'by midnight'],
    'before rolls away from the anchor' => [['days' => 10, 'direction' => 'before'], '2026-12-08', '2026-11-27', 'so Fri, Nov 27'],
    'before rolls as it is said' => [
        ['days' => 10, 'direction' => 'before', 'roll' => 'forward'],
        '2026-12-08',
        '2026-11-30',
        'so Mon, Nov 30',
    ],
    'a year that is not this one' => [['days' => 40], '2026-11-27', '2027-01-06', '40 days after acceptance (Fri, Nov 27)'],
    'rolling over more than one' => [['days' => 1], '2026-12-24', '2026-12-28', 'Christmas Day'],
]);

it('counts hours from hours', function () {
    $request = [
        'zone' => 'America/New_York',
        'anchors' => ['a' => '2026-11-20T15:30:00-05:00'],
        'rules' => [
            ['name' => 'first', 'anchor' => 'a', 'days' => 24, 'unit' => 'hours', 'roll' => 'none'],
            ['name' => 'second', 'anchor' => 'first', 'days' => 3, 'unit' => 'hours', 'roll' => 'none'],
        ],
    ];
    $dates = DateRequest::fromJson((string) json_encode($request), new DateTimeImmutable())->answer()['dates'];
    expect(array_column($dates, 'ends'))->toBe(['2026-11-21T15:30:00-05:00', '2026-11-21T18:30:00-05:00']);
});

it('ends at midnight when it says so', function () {
    expect(computed(['days' => 1, 'cutOff' => '24:00'], '2026-11-19')['ends'])->toBe('2026-11-21T00:00:00-05:00');
});

it('says the year of a day that is not in this one', function () {
    $because = computed(['days' => 3, 'roll' => 'none'], '2027-01-08')['because'];
    expect($because)->toContain('Fri, Jan 8, 2027');
});

it('keeps a day set by hand though the anchor of its rule is not known, and what counts from it', function () {
    $request = [
        'zone' => 'UTC',
        'today' => '2026-11-23',
        'anchors' => [],
        'rules' => [
            ['name' => 'a', 'anchor' => 'survey', 'days' => 5],
            ['name' => 'b', 'anchor' => 'a', 'days' => 3],
            ['name' => 'c', 'anchor' => 'b', 'days' => 1],
        ],
        'overrides' => ['a' => ['day' => '2026-12-01', 'reason' => 'agreed by phone']],
    ];
    $answer = DateRequest::fromJson((string) json_encode($request), new DateTimeImmutable())->answer();
    expect(array_column($answer['dates'], 'day', 'name'))
        ->toBe(['a' => '2026-12-01', 'b' => '2026-12-04', 'c' => '2026-12-07'])
        ->and($answer['waiting'])
        ->toBe([])
        ->and($answer['dates'][0]['byHand'])
        ->toBeTrue()
        ->and($answer['dates'][0]['because'])
        ->toContain('agreed by phone')
        ->toContain('survey, which is not known yet');
    unset($request['overrides']['a']);
    $request['overrides']['b'] = '2026-12-04';
    expect(
        array_column(DateRequest::fromJson((string) json_encode($request), new DateTimeImmutable())->answer()['dates'], 'day', 'name'),
    )->toBe(['b' => '2026-12-04', 'c' => '2026-12-07']);
});

it('says in words what cannot be, whatever is sent', function (mixed $request, string $told) {
    expect(
        static fn () => DateRequest::fromJson(
            is_string($request) ? $request : (string) json_encode($request),
            new DateTimeImmutable(),
        )->answer(),
    )->toThrow(RuleUnreadable::class, $told);
})->with([
    [['anchors' => ['a' => '2026-11-20T25:00:00Z']], 'anchor “a”'],
    [['anchors' => ['a' => '2026-02-30T10:00:00Z']], 'anchor “a”'],
    [['anchors' => ['a' => '2026-11-20T10:00:00+99:00']], 'anchor “a”'],
    [['anchors' => ['a' => ['day' => ['x']]]], 'anchor “a”'],
    [['federal' => 'false'], '“federal” is true or false'],
    [['federal' => 0], '“federal” is true or false'],
    [['rules' => [['name' => 'x', 'anchor' => 'a', 'days' => 1, 'rol' => 'none']]], 'is nothing a rule has'],
    [['anchors' => ['a' => ['day' => '2026-11-20', 'tme' => '10:00']]], 'which is not known'],
    [['overrides' => ['nothing' => '2026-11-20']], 'no rule “nothing”'],
    [
        ['overrides' => ['x' => ['day' => '2026-11-20', 'reason' => ['a']]], 'rules' => [['name' => 'x', 'anchor' => 'a', 'days' => 1]]],
        'is a text',
    ],
    [['rules' => 'x'], 'is a list'],
    [['rules' => [['x']]], 'is an object'],
    [['rules' => [['name' => ['x'], 'anchor' => 'a', 'days' => 1]]], 'needs a name'],
    [['rules' => [['name' => 'x', 'anchor' => ['a'], 'days' => 1]]], 'name the anchor'],
    [['rules' => [['name' => 'x', 'anchor' => 'a', 'days' => '3']]], 'whole number'],
    [['rules' => [['name' => 'x', 'anchor' => 'a', 'days' => 1, 'business' => 'yes']]], 'true or false'],
    [['holidays' => 'x'], 'is a list'],
    [['holidays' => [['day' => ['x']]]], 'holiday'],
    [['zone' => ['UTC']], 'time zone'],
    [['zone' => str_repeat('A', 5000)], 'time zone'],
    [['today' => 12], '“today”'],
]);

it('never answers with anything but dates or words', function () {
    mt_srand(27);
    $odd = [
        null,
        true,
        0,
        -1,
        1.5,
        '',
        'x',
        '2026-11-20',
        [],
        ['x'],
        ['day' => '2026-11-20'],
        ['a' => ['b' => ['c' => 1]]],
        str_repeat('9', 300),
        "\u{FFFE}",
        '2026-11-20T10:00:00-05:00',
    ];
    $pick = static fn () => $odd[mt_rand(0, count($odd) - 1)];
    for ($round = 0; $round < 3000; $round++) {
        $rule = array_filter(
            [
                'name' => 'x',
                'anchor' => 'a',
                'days' => 3,
                'unit' => $pick(),
                'roll' => $pick(),
                'cutOff' => $pick(),
                'label' => $pick(),
                'lateAfter' => $pick(),
                'shortLimit' => $pick(),
            ],
            static fn () => mt_rand(0, 2) > 0,
        );
        $request = array_filter(
            [
                'zone' => mt_rand(0, 1) ? 'UTC' : $pick(),
                'anchors' => mt_rand(0, 1) ? ['a' => $pick()] : $pick(),
                'rules' => mt_rand(0, 3) ? [$rule, $pick()] : $pick(),
                'overrides' => mt_rand(0, 1) ? ['x' => $pick()] : $pick(),
                'holidays' => $pick(),
                'federal' => $pick(),
                'today' => $pick(),
            ],
            static fn () => mt_rand(0, 2) > 0,
        );
        try {
            expect(
                DateRequest::fromJson((string) json_encode($request, JSON_INVALID_UTF8_SUBSTITUTE), new DateTimeImmutable())->answer(),
            )->toHaveKey('dates');
        } catch (RuleUnreadable|Unanimus\Dates\CircularRules $told) {
            expect($told->getMessage())->not->toBe('');
        }
    }
});

it('refuses a day of the week that the day is not', function (string $typed) {
    LocalDate::parse($typed, LocalDate::of('2026-11-23'));
})
    ->with(['Mon, Dec 18, 2026', 'Monday, December 18, 2026', 'Sat, Dec 18', 'Fri 2026-12-17'])
    ->throws(DateUnreadable::class, 'is a');

it(
    'takes a day of the week that is right',
    fn () => expect(LocalDate::parse('Fri, Dec 18', LocalDate::of('2026-11-23'))->iso())
        ->toBe('2026-12-18')
        ->and(LocalDate::parse('next fri', LocalDate::of('2026-11-23'))->iso())
        ->toBe('2026-11-27'),
);

it('computes a chain of two thousand rules, in whatever order they come', function () {
    $rules = [];
    for ($n = 2000; $n >= 1; $n--) {
        $rules[] = new DeadlineRule("r{$n}", "R{$n}", $n === 1 ? 'acceptance' : 'r'.($n - 1), 1, roll: 'none');
    }
    $deadlines = Schedule::compute(['acceptance' => LocalDate::of('2026-11-23')], [], $rules, new BusinessCalendar());
    expect($deadlines)
        ->toHaveCount(2000)
        ->and($deadlines[1999]->due->iso())
        ->toBe(LocalDate::of('2026-11-23')->plusDays(2000)->iso());
});
