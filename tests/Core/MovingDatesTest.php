<?php

declare(strict_types=1);

use Unanimus\Dates\BusinessCalendar;
use Unanimus\Dates\CalendarFeed;
use Unanimus\Dates\CircularRules;
use Unanimus\Dates\Conflict;
use Unanimus\Dates\DateRequest;
use Unanimus\Dates\DeadlineRule;
use Unanimus\Dates\DealLine;
use Unanimus\Dates\LocalDate;
use Unanimus\Dates\Override;
use Unanimus\Dates\RuleUnreadable;
use Unanimus\Dates\Schedule;
use Unanimus\Dates\Shift;

$day = static fn (string $iso) => LocalDate::of($iso);
$answer = static fn (array $request) => DateRequest::fromJson(
    (string) json_encode($request),
    new DateTimeImmutable('2026-11-23 12:00 UTC'),
)->answer();

it('counts what follows from the day set by hand, and says both days', function () use ($day) {
    $rules = [
        new DeadlineRule('inspection', 'Inspection', 'acceptance', 10),
        new DeadlineRule('repair', 'Repair response', 'inspection', 3),
    ];
    [$inspection, $repair] = Schedule::compute(
        ['acceptance' => $day('2026-11-18')],
        ['acceptance' => 'Acceptance'],
        $rules,
        new BusinessCalendar(),
        ['inspection' => new Override($day('2026-12-04'), 'amendment 1.')],
    );
    expect($inspection->due->iso())
        ->toBe('2026-12-04')
        ->and($inspection->computed?->iso())
        ->toBe('2026-11-30')
        ->and($inspection->isByHand())
        ->toBeTrue()
        ->and($inspection->because)
        ->toBe(
            'Set by hand to Fri, Dec 4: amendment 1. By rule: 10 days after acceptance (Wed, Nov 18) is Sat, Nov 28, a Saturday, so Mon, '.
                'Nov 30.',
        )
        ->and($repair->due->iso())
        ->toBe('2026-12-07')
        ->and($repair->because)
        ->toContain('inspection (Fri, Dec 4)');
});

it('leaves a rule aside whose own day is given', function () use ($day) {
    $all = Schedule::compute(
        ['acceptance' => $day('2026-11-18'), 'closing' => $day('2026-12-18')],
        [],
        [new DeadlineRule('closing', 'Closing', 'acceptance', 45)],
        new BusinessCalendar(),
    );
    expect($all)->toBe([]);
});

it('refuses rules in a circle also while nothing is known', function () {
    Schedule::compute(
        [],
        [],
        [new DeadlineRule('a', 'A', 'b', 1), new DeadlineRule('b', 'B', 'c', 1), new DeadlineRule('c', 'C', 'a', 1)],
        new BusinessCalendar(),
    );
})->throws(CircularRules::class, 'counts from itself');

it('shows what moves with an anchor, what comes and what goes, and what speaks against it', function () use ($day) {
    $calendar = new BusinessCalendar();
    $rules = [
        new DeadlineRule('walk', 'Walk-through', 'closing', -2, roll: 'none'),
        new DeadlineRule('loan', 'Loan', 'acceptance', 5),
        new DeadlineRule('keys', 'Keys', 'possession', 0, roll: 'none'),
    ];
    $compute = static fn (array $anchors) => Schedule::compute($anchors, [], $rules, $calendar);
    $anchors = ['acceptance' => $day('2026-11-18'), 'closing' => $day('2026-12-18'), 'possession' => $day('2026-12-21')];
    $shift = Shift::between(
        $compute($anchors),
        $compute(['acceptance' => $anchors['acceptance'], 'closing' => $day('2026-12-28')]),
        ['closing' => ['label' => 'Closing', 'day' => $day('2026-12-26')]],
        $calendar,
        $day('2026-11-23'),
    );
    expect(
        array_map(
            static fn (array $move) => [$move['name'], $move['from']?->iso(), $move['to']?->iso(), $move['days'], $move['conflicts']],
            $shift->moves,
        ),
    )
        ->toBe([['keys', '2026-12-21', null, 0, []], ['walk', '2026-12-16', '2026-12-26', 10, ['a Saturday']]])
        ->and($shift->anchorConflicts)
        ->toBe(['Closing on Sat, Dec 26 is a Saturday.']);
});

it('tells weekend, holiday and past apart', function (string $iso, array $told) use ($day) {
    expect(
        array_map(static fn (Conflict $conflict) => $conflict->value, Conflict::of($day($iso), new BusinessCalendar(), $day('2026-11-23'))),
    )->toBe($told);
})->with([
    ['2026-11-24', []],
    ['2026-11-26', ['holiday']],
    ['2026-11-28', ['weekend']],
    ['2026-11-20', ['past']],
    ['2026-07-04', ['weekend', 'past']],
]);

it('computes a request: zone, instants, holidays, days by hand', function () use ($answer) {
    $given = $answer([
        'zone' => 'America/Los_Angeles',
        'today' => '2026-11-23',
        'holidays' => ['2026-12-24' => 'Office closed', '2026-12-31' => 'Office closed'],
        // Late in the evening on the coast, the next day in London.
        'anchors' => ['acceptance' => '2026-11-19T06:30:00Z', 'closing' => ['day' => '2026-12-28', 'label' => 'Closing']],
        'rules' => [
            ['name' => 'earnest', 'anchor' => 'acceptance', 'days' => 3, 'unit' => 'business', 'cutOff' => '17:00'],
            ['name' => 'walk', 'anchor' => 'closing', 'days' => 2, 'direction' => 'before', 'unit' => 'business'],
            ['name' => 'unknown', 'anchor' => 'survey', 'days' => 1],
        ],
    ]);
    expect(array_column($given['dates'], 'day', 'name'))
        ->toBe(['earnest' => '2026-11-23', 'walk' => '2026-12-22'])
        ->and($given['dates'][0]['ends'])
        ->toBe('2026-11-23T17:00:00-08:00')
        ->and($given['dates'][0]['endsUtc'])
        ->toBe('2026-11-24T01:00:00Z')
        ->and($given['waiting'])
        ->toBe([['name' => 'unknown', 'anchor' => 'survey']]);
});

it('keeps no federal holidays when told so', function () use ($answer) {
    $request = ['anchors' => ['a' => '2026-11-25'], 'rules' => [['name' => 'x', 'anchor' => 'a', 'days' => 1, 'unit' => 'business']]];
    expect($answer($request)['dates'][0]['day'])
        ->toBe('2026-11-27')
        ->and($answer([...$request, 'federal' => false])['dates'][0]['day'])
        ->toBe('2026-11-26');
});

it('says in words what of a request cannot be read', function (array|string $request, string $told) {
    expect(
        fn () => DateRequest::fromJson(is_string($request) ? $request : (string) json_encode($request), new DateTimeImmutable()),
    )->toThrow(RuleUnreadable::class, $told);
})->with([
    ['{', 'no JSON'],
    ['[]', 'JSON object'],
    [['zone' => 'Merrow/Tidewick'], 'time zone'],
    [['anchors' => ['a' => '2026-02-30']], 'anchor “a”'],
    [['anchors' => ['2026-01-01']], '“anchors” is an object'],
    [['rules' => [['name' => 'x', 'days' => 1]]], 'name the anchor'],
    [['rules' => [['name' => 'x', 'anchor' => 'a', 'days' => 1.5]]], 'whole number'],
    [['rules' => [['name' => 'x', 'anchor' => 'a', 'days' => 1, 'unit' => 'weeks']]], '“unit” is calendar'],
    [['rules' => [['name' => 'x', 'anchor' => 'a', 'days' => 1, 'cutOff' => '25:00']]], 'time of day'],
    [['rules' => [['name' => 'x', 'anchor' => 'a', 'days' => -1, 'direction' => 'before']]], 'without a minus'],
    [['rules' => [['name' => 'x', 'anchor' => 'a', 'days' => 1], ['name' => 'x', 'anchor' => 'a', 'days' => 2]]], 'Two rules'],
    [['holidays' => ['soon']], 'holiday'],
]);

it('writes a calendar that others read', function () use ($day) {
    $changed = new DateTimeImmutable('2026-11-23 09:00 America/New_York');
    $feed = (new CalendarFeed('14 Lanternfish Lane; Tidewick'))
        ->add(
            'deadline-a@unanimus',
            $day('2026-12-04'),
            '17:00',
            new DateTimeZone('America/New_York'),
            'Earnest money: a, b; c\\d',
            "two\nlines",
            'https://house.example/files/1',
            7,
            $changed,
        )
        ->add(
            'anchor-b@unanimus',
            $day('2026-12-31'),
            null,
            new DateTimeZone('America/Denver'),
            str_repeat('Nguyễn-Ortiz ', 12),
            '',
            'https://house.example/files/1',
            7,
            $changed,
            true,
        )
        ->render();
    $lines = explode("\r\n", $feed);
    expect(max(array_map(strlen(...), $lines)))->toBeLessThanOrEqual(75)->and(mb_check_encoding($feed, 'UTF-8'))->toBeTrue();
    $whole = str_replace("\r\n ", '', $feed);
    $other = (new CalendarFeed('x'))
        ->add(
            'a',
            $day('2026-12-04'),
            '17:00',
            new DateTimeZone('America/Denver'),
            'In another zone',
            '',
            'https://house.example',
            1,
            $changed,
        )
        ->render();
    expect($other)->toContain("DTEND:20261205T000000Z\r\n");
    expect($whole)
        ->toContain("UID:deadline-a@unanimus\r\n")
        ->toContain("DTEND:20261204T220000Z\r\n")
        ->toContain('SEQUENCE:7')
        ->toContain('SUMMARY:Earnest money: a\, b\; c\\\\d')
        ->toContain('DESCRIPTION:two\nlines')
        ->toContain("DTSTART;VALUE=DATE:20261231\r\nDTEND;VALUE=DATE:20270101")
        ->toContain('SUMMARY:✓ '.trim(str_repeat('Nguyễn-Ortiz ', 12)).' ')
        ->toEndWith("END:VCALENDAR\r\n");
});

it('sets the labels of a crowded line on a slant, each in its own place and in order', function () use ($day) {
    mt_srand(11);
    for ($round = 0; $round < 60; $round++) {
        $rules = [];
        foreach (range(1, 25) as $n) {
            $rules[] = new DeadlineRule("d{$n}", str_repeat('Label ', mt_rand(1, 3)).$n, 'acceptance', mt_rand(0, 60), roll: 'none');
        }
        $deadlines = Schedule::compute(['acceptance' => $day('2026-11-01')], [], $rules, new BusinessCalendar());
        $line = DealLine::lay(
            [
                'acceptance' => ['label' => 'Accepted', 'day' => $day('2026-11-01')],
                'closing' => ['label' => 'Closing', 'day' => $day('2026-12-31')],
            ],
            $deadlines,
            [],
            $day('2026-11-23'),
        );
        expect($line?->isSlanted())->toBeTrue()->and($line?->feet)->toHaveCount(25);
        $before = -INF;
        foreach ($line->flags as $flag) {
            $foot = $line->feet[$flag['key']];
            expect($foot - $before)
                ->toBeGreaterThanOrEqual(DealLine::PITCH - 0.11)
                ->and($foot)
                ->toBeGreaterThanOrEqual(0.0)
                ->and($foot + cos(deg2rad(DealLine::SLANT)) * $flag['width'])
                ->toBeLessThanOrEqual(DealLine::WIDTH + 1.0);
            $before = $foot;
        }
    }
});
