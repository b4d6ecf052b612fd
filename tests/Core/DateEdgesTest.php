<?php

declare(strict_types=1);

use Unanimus\Dates\BusinessCalendar;
use Unanimus\Dates\CalendarFeed;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\Deadline;
use Unanimus\Dates\DeadlineRule;
use Unanimus\Dates\FederalHolidays;
use Unanimus\Dates\LocalDate;
use Unanimus\Dates\Override;
use Unanimus\Dates\RuleUnreadable;
use Unanimus\Dates\Shift;
use Unanimus\Dates\TimeOfDay;
use Unanimus\Dates\Unit;

it('knows the federal holidays of a year on the day they are kept', function (int $year, array $days) {
    $names = [
        'New Year’s Day',
        'Martin Luther King Jr. Day',
        'Washington’s Birthday',
        'Memorial Day',
        'Juneteenth',
        'Independence Day',
        'Labor Day',
        'Columbus Day',
        'Veterans Day',
        'Thanksgiving Day',
        'Christmas Day',
        'New Year’s Day',
    ];
    $expected = [];
    foreach (array_filter($days) as $at => $day) {
        $expected["{$year}-{$day}"] = $names[$at];
    }
    expect(FederalHolidays::in($year))->toBe($expected);
})->with([
    'a Fourth on a Saturday' => [
        2026,
        ['01-01', '01-19', '02-16', '05-25', '06-19', '07-03', '09-07', '10-12', '11-11', '11-26', '12-25'],
    ],
    'a Fourth on a Sunday, and a New Year kept the day before it' => [
        2027,
        ['01-01', '01-18', '02-15', '05-31', '06-18', '07-05', '09-06', '10-11', '11-11', '11-25', '12-24', '12-31'],
    ],
    'before there was Juneteenth' => [
        2020,
        ['01-01', '01-20', '02-17', '05-25', null, '07-03', '09-07', '10-12', '11-11', '11-26', '12-25'],
    ],
    'the first Juneteenth' => [
        2021,
        ['01-01', '01-18', '02-15', '05-31', '06-18', '07-05', '09-06', '10-11', '11-11', '11-25', '12-24', '12-31'],
    ],
    'a New Year that was kept the year before' => [
        2022,
        [null, '01-17', '02-21', '05-30', '06-20', '07-04', '09-05', '10-10', '11-11', '11-24', '12-26'],
    ],
    'a New Year on a Sunday' => [
        2023,
        ['01-02', '01-16', '02-20', '05-29', '06-19', '07-04', '09-04', '10-09', '11-10', '11-23', '12-25'],
    ],
]);

it('reads a time of day and says it as Americans do', function (string $stored, int $minutes, string $short, string $clock) {
    $time = TimeOfDay::of($stored);
    expect([$time->minutes, $time->short(), $time->clock(), $time->stored()])->toBe([$minutes, $short, $clock, $stored]);
})->with([
    ['00:00', 0, 'midnight', '12:00 am'],
    ['00:01', 1, '12:01 am', '12:01 am'],
    ['01:30', 90, '1:30 am', '1:30 am'],
    ['11:59', 719, '11:59 am', '11:59 am'],
    ['12:00', 720, 'noon', '12:00 pm'],
    ['13:05', 785, '1:05 pm', '1:05 pm'],
    ['23:59', 1439, '11:59 pm', '11:59 pm'],
    ['24:00', 1440, 'midnight', '12:00 am'],
]);

it('takes no time of day that there is not', function (string $stored) {
    TimeOfDay::of($stored);
})->with(['24:01', '25:00', '17:60', '7:00', '17', '', 'noon'])->throws(RuleUnreadable::class, 'no time of day');

it('holds one time against another', function () {
    $five = TimeOfDay::of('17:00');
    expect($five->isAfter(TimeOfDay::of('16:59')))->toBeTrue()->and($five->isAfter($five))->toBeFalse();
});

it('reads days at the edges, and none beyond them', function () {
    expect(LocalDate::ymd(1583, 1, 1)->iso())
        ->toBe('1583-01-01')
        ->and(LocalDate::ymd(9999, 12, 31)->iso())
        ->toBe('9999-12-31')
        ->and(LocalDate::ymd(2028, 2, 29)->iso())
        ->toBe('2028-02-29');
    foreach ([[1582, 12, 31], [10000, 1, 1], [2027, 2, 29], [2026, 13, 1], [2026, 0, 1], [2026, 6, 31]] as $none) {
        expect(fn () => LocalDate::ymd(...$none))->toThrow(DateUnreadable::class);
    }
});

it('reads what people type for a day', function (string $typed, string $day) {
    expect(LocalDate::parse($typed, LocalDate::of('2026-11-24'))->iso())->toBe($day);
})->with([
    ['2026-12-8', '2026-12-08'],
    ['12/18', '2026-12-18'],
    ['12-18', '2026-12-18'],
    ['12/18/27', '2027-12-18'],
    ['12/18/2028', '2028-12-18'],
    ['1/5', '2027-01-05'],
    ['18 Dec', '2026-12-18'],
    ['1st january', '2027-01-01'],
    ['Dec 3rd, 2027', '2027-12-03'],
    ['Dec 3 2027', '2027-12-03'],
    ['Fri, Dec 18', '2026-12-18'],
    ['today', '2026-11-24'],
    ['Tomorrow', '2026-11-25'],
    ['yesterday', '2026-11-23'],
    ['+3', '2026-11-27'],
    ['+ 3 days', '2026-11-27'],
    ['in 10 days', '2026-12-04'],
    ['in 1 day', '2026-11-25'],
    ['Tuesday', '2026-12-01'],
    ['wed', '2026-11-25'],
    ['next Monday', '2026-11-30'],
    ['Sunday', '2026-11-29'],
    ['sat', '2026-11-28'],
    // The nearest of last year, this year and next.
    ['5/25', '2027-05-25'],
    ['5/26', '2026-05-26'],
    ['6/1', '2026-06-01'],
]);

it('says how far a day is away', function (int $days, string $words) {
    $day = LocalDate::of('2026-11-24');
    expect($day->plusDays($days)->from($day))->toBe($words);
})->with([
    [0, 'today'],
    [1, 'tomorrow'],
    [-1, 'yesterday'],
    [2, 'in two days'],
    [3, 'in three days'],
    [4, 'in 4 days'],
    [-2, 'two days ago'],
    [-12, '12 days ago'],
]);

it('names its units with their number', function () {
    expect(Unit::Calendar->words(1))
        ->toBe('1 day')
        ->and(Unit::Calendar->words(10))
        ->toBe('10 days')
        ->and(Unit::Business->words(1))
        ->toBe('1 business day')
        ->and(Unit::BusinessWithSaturdays->words(3))
        ->toBe('3 business days (Saturdays counted)')
        ->and(Unit::Months->words(2))
        ->toBe('2 months')
        ->and(Unit::Hours->words(1))
        ->toBe('1 hour');
});

it('says of a day set by hand what its rule says', function () {
    $override = new Override(LocalDate::of('2027-01-08'), 'lender asked. ');
    $rule = new DeadlineRule('loan', 'Loan approval', 'acceptance', 30, cutOff: '17:00');
    $computed = new Deadline('loan', 'Loan approval', LocalDate::of('2026-12-11'), '17:00', '30 days after acceptance.');
    $moved = $computed->overridden($override);
    expect($moved->because)
        ->toBe('Set by hand to Fri, Jan 8, 2027: lender asked. By rule: 30 days after acceptance.')
        ->and($computed->overridden($override, 2027)->because)
        ->toStartWith('Set by hand to Fri, Jan 8: ')
        ->and([$moved->due->iso(), $moved->computed?->iso(), $moved->cutOff, $moved->isByHand()])
        ->toBe(['2027-01-08', '2026-12-11', '17:00', true]);
    $alone = Deadline::setByHand($rule, 'Acceptance', $override);
    expect($alone->because)
        ->toBe('Set by hand to Fri, Jan 8: lender asked. By rule it counts from acceptance, which is not known yet.')
        ->and(Deadline::setByHand($rule, 'Acceptance', $override, 2026)->because)
        ->toStartWith('Set by hand to Fri, Jan 8, 2027: ')
        ->and([$alone->due->iso(), $alone->computed, $alone->cutOff, $alone->isByHand()])
        ->toBe(['2027-01-08', null, '17:00', true]);
});

it('ends a deadline at its cut-off, at midnight, or with the day', function (?string $cutOff, string $ends) {
    $deadline = new Deadline('x', 'X', LocalDate::of('2026-12-11'), $cutOff, '');
    expect($deadline->ends(new DateTimeZone('America/New_York'))->format('c'))->toBe($ends);
})->with([
    ['17:00', '2026-12-11T17:00:00-05:00'],
    ['24:00', '2026-12-12T00:00:00-05:00'],
    [null, '2026-12-11T23:59:59-05:00'],
]);

it('tells a deadline due from three days before it', function (string $today, array $done, string $standing) {
    $deadline = new Deadline('x', 'X', LocalDate::of('2026-12-11'), null, '');
    expect($deadline->standing($done, LocalDate::of($today)))->toBe($standing);
})->with([
    ['2026-12-07', [], 'ahead'],
    ['2026-12-08', [], 'due'],
    ['2026-12-11', [], 'due'],
    ['2026-12-12', [], 'late'],
    ['2026-12-12', ['x'], 'done'],
    ['2026-12-12', ['y'], 'late'],
]);

it('says what moves between two schedules, in the order of the new days', function () {
    $due = static fn (string $name, string $day) => new Deadline($name, ucfirst($name), LocalDate::of($day), null, "as {$name}");
    $shift = Shift::between(
        [$due('loan', '2026-12-11'), $due('title', '2026-11-25'), $due('gone', '2026-12-01'), $due('stays', '2026-12-02')],
        [$due('loan', '2026-12-19'), $due('title', '2026-11-20'), $due('new', '2026-12-25'), $due('stays', '2026-12-02')],
        ['closing' => ['label' => 'Closing', 'day' => LocalDate::of('2026-12-26')]],
        new BusinessCalendar([], true),
        LocalDate::of('2026-11-24'),
    );
    expect(array_map(static fn (array $move) => [
        $move['name'],
        $move['label'],
        $move['from']?->iso(),
        $move['to']?->iso(),
        $move['days'],
        $move['because'],
        $move['conflicts'],
    ], $shift->moves))
        ->toBe([
            ['title', 'Title', '2026-11-25', '2026-11-20', -5, 'as title', ['before today']],
            ['gone', 'Gone', '2026-12-01', null, 0, 'Its anchor is gone.', []],
            ['loan', 'Loan', '2026-12-11', '2026-12-19', 8, 'as loan', ['a Saturday']],
            ['new', 'New', null, '2026-12-25', 0, 'as new', ['Christmas Day']],
        ])
        ->and($shift->anchorConflicts)
        ->toBe(['Closing on Sat, Dec 26 is a Saturday.']);
});

it('writes a calendar that others read: whole days, half hours up to a cut-off, and what is done', function () {
    $feed = new CalendarFeed('Deal dates');
    $zone = new DateTimeZone('America/New_York');
    $changed = new DateTimeImmutable('2026-11-24 12:00:00 UTC');
    $day = LocalDate::of('2026-12-11');
    $text = $feed
        ->add('one@unanimus.example', $day, null, $zone, 'Title', 'because', 'https://unanimus.example/f', 3, $changed, true)
        ->add('two@unanimus.example', $day, '17:00', $zone, 'Loan', 'why', 'https://unanimus.example/g', 0, $changed)
        ->render();
    foreach (
        [
            'PRODID:-//Unanimus//Deal dates//EN',
            'METHOD:PUBLISH',
            'X-WR-CALNAME:Deal dates',
            'REFRESH-INTERVAL;VALUE=DURATION:PT1H',
            'UID:one@unanimus.example',
            'DTSTAMP:20261124T120000Z',
            'LAST-MODIFIED:20261124T120000Z',
            'SEQUENCE:3',
            'SUMMARY:✓ Title',
            'DESCRIPTION:because',
            'URL;VALUE=URI:https://unanimus.example/f',
            'TRANSP:TRANSPARENT',
            'DTSTART;VALUE=DATE:20261211',
            'DTEND;VALUE=DATE:20261212',
            'SUMMARY:Loan',
            'DTSTART:20261211T213000Z',
            'DTEND:20261211T220000Z',
        ] as $line
    ) {
        expect($text)->toContain("{$line}\r\n");
    }
});
