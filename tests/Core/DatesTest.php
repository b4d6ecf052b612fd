<?php

declare(strict_types=1);

use Unanimus\Dates\BusinessCalendar;
use Unanimus\Dates\CircularRules;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\DeadlineRule;
use Unanimus\Dates\DealLine;
use Unanimus\Dates\FederalHolidays;
use Unanimus\Dates\LaneFile;
use Unanimus\Dates\Lanes;
use Unanimus\Dates\LocalDate;
use Unanimus\Dates\Schedule;
use Unanimus\Dates\Unit;
use Unanimus\Pages\Typeface;

$day = static fn (string $iso) => LocalDate::of($iso);

it('reads dates as people type them', function (string $typed, string $kept) use ($day) {
    expect(LocalDate::parse($typed, $day('2026-11-23'))->iso())->toBe($kept);
})->with([
    ['2026-12-18', '2026-12-18'],
    ['12/18/2026', '2026-12-18'],
    ['12/18/26', '2026-12-18'],
    ['12/18', '2026-12-18'],
    ['18 Dec', '2026-12-18'],
    ['Dec 18, 2026', '2026-12-18'],
    ['Fri, Dec 18', '2026-12-18'],
    ['1/5', '2027-01-05'],
    ['5/14', '2027-05-14'],
    ['6/1', '2026-06-01'],
    ['December 1st', '2026-12-01'],
    ['2/29/2028', '2028-02-29'],
    ['today', '2026-11-23'],
    [' Tomorrow', '2026-11-24'],
    ['yesterday', '2026-11-22'],
    ['+3', '2026-11-26'],
    ['+ 10 days', '2026-12-03'],
    ['in 1 day', '2026-11-24'],
    ['Friday', '2026-11-27'],
    ['fri', '2026-11-27'],
    ['Monday', '2026-11-30'],
    ['Wed', '2026-11-25'],
    ['sunday', '2026-11-29'],
]);

it('says how far a day is as people do', function (string $iso, string $said) use ($day) {
    expect($day($iso)->from($day('2026-11-23')))->toBe($said);
})->with([
    ['2026-11-23', 'today'],
    ['2026-11-24', 'tomorrow'],
    ['2026-11-22', 'yesterday'],
    ['2026-11-26', 'in three days'],
    ['2026-11-21', 'two days ago'],
    ['2026-12-22', 'in 29 days'],
    ['2026-11-11', '12 days ago'],
]);

it('refuses what is no day', function (string $typed) use ($day) {
    LocalDate::parse($typed, $day('2026-11-23'));
})
    ->with(['', 'soon', '13/40', '2/30/2026', '2026-02-29', '31 Nov', '0/0', '18 Foo', 'someday', 'in days', '+', 'fridays', '3 days'])
    ->throws(DateUnreadable::class);

it('knows the weekday of any day', function (string $iso, int $weekday) use ($day) {
    expect($day($iso)->weekday())->toBe($weekday);
})->with([['2026-11-23', 1], ['2026-11-22', 7], ['2000-02-29', 2], ['1970-01-01', 4], ['2100-03-01', 1]]);

it('observes federal holidays on the right day', function (int $year, string $iso, string $name) {
    expect(FederalHolidays::in($year)[$iso] ?? null)->toBe($name);
})->with([
    [2026, '2026-07-03', 'Independence Day'],
    [2026, '2026-11-26', 'Thanksgiving Day'],
    [2026, '2026-01-19', 'Martin Luther King Jr. Day'],
    [2027, '2027-12-31', 'New Year’s Day'],
    [2021, '2021-06-18', 'Juneteenth'],
    [2022, '2022-12-26', 'Christmas Day'],
    [2026, '2026-05-25', 'Memorial Day'],
    [2026, '2026-10-12', 'Columbus Day'],
]);

it('has no Juneteenth before the law of 2021', function () {
    expect(FederalHolidays::in(2020))->not->toContain('Juneteenth');
});

it('explains how a deadline was computed', function () use ($day) {
    $calendar = new BusinessCalendar();
    $rule = new DeadlineRule('inspection', 'Inspection', 'acceptance', 10, cutOff: '17:00');
    $deadline = $rule->from($day('2026-11-18'), 'acceptance', $calendar);
    expect($deadline->due->iso())
        ->toBe('2026-11-30')
        ->and($deadline->because)
        ->toBe('10 days after acceptance (Wed, Nov 18) is Sat, Nov 28, a Saturday, so Mon, Nov 30, by 5:00 pm.');
});

it('counts business days over Thanksgiving and an office holiday', function () use ($day) {
    $calendar = new BusinessCalendar(['2026-11-27' => 'the day after']);
    expect(
        (new DeadlineRule('earnest', 'Earnest money', 'acceptance', 3, Unit::Business))
            ->from($day('2026-11-24'), 'acceptance', $calendar)
            ->due->iso(),
    )
        ->toBe('2026-12-01')
        ->and(
            (new DeadlineRule('walk', 'Walk-through', 'closing', -2, Unit::Calendar, 'backward'))
                ->from($day('2026-12-15'), 'closing', $calendar)
                ->due->iso(),
        )
        ->toBe('2026-12-11');
});

it('agrees with a naive second reckoning', function () {
    mt_srand(3);
    $office = ['2026-12-24' => 'office', '2027-03-15' => 'office'];
    $calendar = new BusinessCalendar($office);
    $isBusiness = static function (DateTimeImmutable $at) use ($office): bool {
        return (int) $at->format('N') < 6 &&
            ! isset($office[$at->format('Y-m-d')]) &&
            ! isset(FederalHolidays::in((int) $at->format('Y'))[$at->format('Y-m-d')]);
    };
    for ($i = 0; $i < 800; $i++) {
        $start = new DateTimeImmutable('2026-01-01 12:00 UTC +'.mt_rand(0, 900).' days');
        $days = mt_rand(-40, 40);
        $business = mt_rand(0, 1) === 1;
        $roll = ['none', 'forward', 'backward'][mt_rand(0, 2)];
        $naive = $start;
        if ($business) {
            for ($left = abs($days); $left > 0;) {
                $naive = $naive->modify($days < 0 ? '-1 day' : '+1 day');
                $left -= $isBusiness($naive) ? 1 : 0;
            }
        } else {
            $naive = $naive->modify("{$days} days");
        }
        while ($roll !== 'none' && ! $isBusiness($naive)) {
            $naive = $naive->modify($roll === 'forward' ? '+1 day' : '-1 day');
        }
        $rule = new DeadlineRule('x', 'X', 'a', $days, $business ? Unit::Business : Unit::Calendar, $roll);
        expect($rule->from(LocalDate::of($start->format('Y-m-d')), 'a', $calendar)->due->iso())->toBe($naive->format('Y-m-d'));
    }
});

it('computes deadlines that count from other deadlines, in any order of the rules', function () use ($day) {
    $rules = [
        new DeadlineRule('answer', 'Answer', 'inspection', 3),
        new DeadlineRule('inspection', 'Inspection', 'acceptance', 10),
        new DeadlineRule('lost', 'Lost', 'nowhere', 1),
    ];
    $deadlines = Schedule::compute(['acceptance' => $day('2026-11-02')], ['acceptance' => 'acceptance'], $rules, new BusinessCalendar());
    expect(array_map(static fn ($deadline) => [$deadline->name, $deadline->due->iso()], $deadlines))->toBe([
        ['inspection', '2026-11-12'],
        ['answer', '2026-11-16'],
    ]);
});

it('refuses rules that count from each other', function () {
    Schedule::compute([], [], [new DeadlineRule('a', 'A', 'b', 1), new DeadlineRule('b', 'B', 'a', 1)], new BusinessCalendar());
})->throws(CircularRules::class, 'counts from itself');

it('lays flags so that no stem runs through a label', function () use ($day) {
    mt_srand(5);
    for ($i = 0; $i < 200; $i++) {
        $rules = [];
        for ($n = 0; $n < mt_rand(1, 25); $n++) {
            $rules[] = new DeadlineRule("d{$n}", 'Deadline '.str_repeat('x', mt_rand(0, 12)), 'acceptance', mt_rand(0, 58), roll: 'none');
        }
        $anchors = ['acceptance' => $day('2026-11-03'), 'closing' => $day('2026-12-18')];
        $deadlines = Schedule::compute($anchors, [], $rules, new BusinessCalendar());
        $line = DealLine::lay(
            [
                'acceptance' => ['label' => 'Accepted', 'day' => $anchors['acceptance']],
                'closing' => ['label' => 'Closing', 'day' => $anchors['closing']],
            ],
            $deadlines,
            [],
            $day('2026-11-23'),
        );
        foreach ($line->flags as $flag) {
            foreach ($line->flags as $other) {
                $through =
                    $flag !== $other &&
                    $flag['row'] > 0 &&
                    $other['row'] > $flag['row'] &&
                    $other['x'] > $flag['x'] &&
                    $other['x'] < $flag['x'] + $flag['width'];
                $overlap =
                    $flag !== $other &&
                    $flag['row'] > 0 &&
                    $flag['row'] === $other['row'] &&
                    $flag['x'] < $other['x'] + $other['width'] &&
                    $other['x'] < $flag['x'] + $flag['width'];
                expect($through)->toBeFalse()->and($overlap)->toBeFalse();
            }
            expect($flag['x'] + $flag['width'])->toBeLessThanOrEqual(DealLine::WIDTH);
        }
    }
});

it('says on a flag what its day means today', function () use ($day) {
    $rules = array_map(
        static fn (int $days) => new DeadlineRule("d{$days}", "Step {$days}", 'acceptance', $days, roll: 'none'),
        [1, 5, 20, 23, 40],
    );
    $deadlines = Schedule::compute(['acceptance' => $day('2026-11-03')], [], $rules, new BusinessCalendar());
    $anchors = ['acceptance' => ['label' => 'Accepted', 'day' => $day('2026-11-03')]];
    $flags = array_column(DealLine::lay($anchors, $deadlines, ['d1'], $day('2026-11-23'))->flags, null, 'key');
    expect(array_column($flags, 'label', 'key'))
        ->toBe(['d1' => 'Step 1 ✓', 'd5' => 'Step 5 · late', 'd20' => 'Step 20 · Mon', 'd23' => 'Step 23 · Thu', 'd40' => 'Step 40'])
        ->and($flags['d5']['name'])
        ->toBe('Step 5');
});

it('names every post without two names meeting, and sets posts of one day beside each other', function () use ($day) {
    mt_srand(11);
    for ($i = 0; $i < 200; $i++) {
        $anchors = [];
        for ($n = 0; $n < mt_rand(1, 7); $n++) {
            $anchors["a{$n}"] = [
                'label' => 'Anchor '.str_repeat('m', mt_rand(0, 9)),
                'day' => $day('2026-11-23')->plusDays(mt_rand(0, 30)),
            ];
        }
        $line = DealLine::lay($anchors, [], [], $day('2026-11-23'));
        $taken = [];
        foreach ($line->posts as $post) {
            $width = Typeface::width("{$post['label']} {$post['day']}", 12);
            expect($post['left'])
                ->toBeGreaterThanOrEqual(0.0)
                ->and($post['left'] + $width)
                ->toBeLessThanOrEqual(DealLine::WIDTH)
                ->and($post['row'])
                ->toBeLessThan($line->depth());
            foreach ($taken as $other) {
                expect($other['x'])
                    ->not->toBe($post['x'])
                    ->and(
                        $other['row'] === $post['row'] &&
                            $other['left'] < $post['left'] + $width &&
                            $post['left'] < $other['left'] + $other['width'],
                    )
                    ->toBeFalse();
            }
            $taken[] = [...$post, 'width' => $width];
        }
    }
});

it('draws nothing for a file without dates', function () use ($day) {
    expect(DealLine::lay([], [], [], $day('2026-11-23')))->toBeNull();
});

it('keeps every lane on the sheet and tells late closings', function () use ($day) {
    $row = static fn (?string $start, ?string $closing) => new LaneFile(
        'k',
        'File',
        'buyer.1',
        50,
        $start === null ? null : LocalDate::of($start),
        $closing === null ? null : LocalDate::of($closing),
        [],
        [],
    );
    $lanes = Lanes::lay(
        [
            $row('2026-11-01', '2026-11-20'),
            $row('2020-01-01', '2030-01-01'),
            $row(null, null),
            $row('2026-11-02', '2026-12-09'),
            $row('2026-11-02', '2026-12-10'),
            $row('2026-11-02', '2026-12-11'),
        ],
        $day('2026-11-23'),
        70,
    );
    expect($lanes->rows[0]->close?->late)
        ->toBeTrue()
        ->and($lanes->rows[1]->close)
        ->toBeNull()
        ->and($lanes->rows[1]->to)
        ->toBeLessThanOrEqual(1172.0)
        ->and($lanes->rows[2]->to)
        ->toBeNull()
        ->and($lanes->fullWeek)
        ->toMatchObject(['count' => 3, 'now' => false]);
    $far = array_map(static fn (int $day) => $row('2026-11-02', "2027-03-0{$day}"), [1, 2, 3, 4]);
    expect(Lanes::lay($far, $day('2026-11-23'), 70)->fullWeek)
        ->toBeNull()
        ->and(
            Lanes::lay(
                [
                    ...array_map(static fn (int $one) => $row(null, "2026-12-0{$one}"), [7, 8, 9]),
                    ...array_map(static fn (int $one) => $row(null, "2026-11-2{$one}"), [4, 5, 7]),
                ],
                $day('2026-11-23'),
                70,
            )->fullWeek,
        )
        ->toMatchObject(['count' => 3, 'now' => true]);
});
