<?php

declare(strict_types=1);

use Unanimus\Dates\Deadline;
use Unanimus\Dates\DealLine;
use Unanimus\Dates\LaneFile;
use Unanimus\Dates\Lanes;
use Unanimus\Dates\LocalDate;

/** What a drawing is to be, kept as it was looked at and found right. @return array<mixed> */
function drawnBefore(string $which): array
{
    return json_decode((string) file_get_contents(__DIR__.'/drawn-dates.json'), true, 16, JSON_THROW_ON_ERROR)[$which];
}

/** What a drawing is made of, with days as text and to a tenth of a thousandth. @return array<mixed> */
function drawn(object $drawing): array
{
    $round = static fn (mixed $value): mixed => match (true) {
        is_float($value) => round($value, 4),
        $value instanceof LocalDate => $value->iso(),
        default => $value,
    };
    $plain = static function (mixed $value) use (&$plain, $round): mixed {
        return match (true) {
            is_array($value) => array_map($plain, $value),
            is_object($value) && ! $value instanceof LocalDate => array_map($plain, get_object_vars($value)),
            default => $round($value),
        };
    };
    $all = $plain($drawing);
    ksort($all);

    return $all;
}

function dueOn(string $name, string $label, string $day): Deadline
{
    return new Deadline($name, $label, LocalDate::of($day), null, "because {$name}");
}

/** @param  list<Deadline>  $deadlines @param  list<string>  $done */
function fileInLane(string $key, ?string $start, ?string $closing, array $deadlines = [], array $done = []): LaneFile
{
    return new LaneFile(
        $key,
        "File {$key}",
        'buyer.1',
        50,
        $start === null ? null : LocalDate::of($start),
        $closing === null ? null : LocalDate::of($closing),
        $deadlines,
        $done,
    );
}

it('lays out a deal line to the last tenth', function () {
    $day = LocalDate::of(...);
    $line = DealLine::lay(
        [
            'acceptance' => ['label' => 'Accepted', 'day' => $day('2026-11-06')],
            'closing' => ['label' => 'Closing', 'day' => $day('2026-12-18')],
            'possession' => ['label' => 'Possession', 'day' => $day('2026-12-18')],
        ],
        [
            dueOn('earnest', 'Earnest money', '2026-11-12'),
            dueOn('inspection', 'Inspection', '2026-11-16'),
            dueOn('title', 'Title', '2026-11-25'),
            dueOn('loan', 'Loan approval', '2026-12-11'),
        ],
        ['earnest'],
        $day('2026-11-24'),
    );
    expect($line?->depth())
        ->toBe(2)
        ->and($line?->isSlanted())
        ->toBeFalse()
        ->and(drawn($line ?? throw new LogicException()))
        ->toEqual(drawnBefore('line'));
});

it('sets a crowd of labels on a slant, to the last tenth', function () {
    $crowd = array_map(static fn (int $n) => dueOn("d{$n}", "Deadline number {$n}", "2026-12-0{$n}"), range(1, 7));
    $line = DealLine::lay([], $crowd, ['d2'], LocalDate::of('2026-12-03')) ?? throw new LogicException();
    expect([
        'posts' => $line->posts,
        'ticks' => $line->ticks,
        'today' => $line->today,
        'from' => $line->from,
        'to' => $line->to,
        'height' => round($line->height, 4),
        'feet' => $line->feet,
        'unit' => round($line->unit, 4),
        'start' => $line->start->iso(),
        'depth' => $line->depth(),
        'x' => array_column($line->flags, 'x'),
        'rows' => array_column($line->flags, 'row'),
        'labels' => array_column($line->flags, 'label'),
        'widths' => array_map(static fn (float $width) => round($width, 2), array_column($line->flags, 'width')),
    ])->toEqual(drawnBefore('slant'));
});

it('ticks a long line every other week, and shows no today that is not on it', function () {
    $day = LocalDate::of(...);
    $line = DealLine::lay(
        ['a' => ['label' => 'Listed', 'day' => $day('2026-06-01')], 'b' => ['label' => 'Listing expires', 'day' => $day('2026-12-01')]],
        [],
        [],
        $day('2026-05-01'),
    ) ?? throw new LogicException();
    expect([
        'ticks' => $line->ticks,
        'today' => $line->today,
        'posts' => $line->posts,
        'height' => $line->height,
        'from' => $line->from,
        'to' => $line->to,
        'unit' => round($line->unit, 4),
    ])
        ->toEqual(drawnBefore('long'))
        ->and(DealLine::lay([], [], [], $day('2026-05-01')))
        ->toBeNull();
});

it('shows today on the first and the last day of a line, and not beyond', function (string $today, ?float $x) {
    $day = LocalDate::of(...);
    $line = DealLine::lay(['a' => ['label' => 'A', 'day' => $day('2026-06-10')]], [], [], $day($today));
    expect($line?->today)->toBe($x);
})->with([['2026-06-03', null], ['2026-06-04', 16.0], ['2026-07-02', 1216.0], ['2026-07-03', null]]);

it('lays the lanes of all files under each other, to the last tenth', function () {
    $lanes = Lanes::lay(
        [
            fileInLane(
                'A',
                '2026-11-06',
                '2026-12-18',
                [dueOn('x', 'Inspection', '2026-11-16'), dueOn('y', 'Loan', '2026-12-11'), dueOn('z', 'Far', '2027-05-01')],
                ['x'],
            ),
            fileInLane('B', null, '2026-12-15'),
            fileInLane('C', '2026-01-02', '2026-12-16'),
            fileInLane('D', '2026-11-20', null, [dueOn('q', 'Title', '2026-11-23')]),
            fileInLane('E', '2026-11-01', '2026-11-23'),
        ],
        LocalDate::of('2026-11-24'),
        60,
    );
    expect(drawn($lanes))->toEqual(drawnBefore('lanes'));
});

it('tells a closing in words also where it lies beyond what is drawn', function () {
    $lane = Lanes::lay([fileInLane('A', '2026-11-20', '2027-01-20')], LocalDate::of('2026-11-24'), 21)->rows[0];
    expect($lane->close)->toBeNull()->and($lane->told())->toBe('closing Wed, Jan 20');
});

it('finds the week with most closings, the next of several, and thins the ticks of a long span', function () {
    $files = [
        fileInLane('A', '2026-11-06', '2026-11-25'),
        fileInLane('B', null, '2026-11-26'),
        fileInLane('C', null, '2026-11-27'),
        fileInLane('D', null, '2026-12-30'),
        fileInLane('E', null, '2026-12-31'),
        fileInLane('F', null, '2026-12-29'),
    ];
    $lanes = Lanes::lay($files, LocalDate::of('2026-11-24'), 120);
    expect([
        'ticks' => $lanes->ticks,
        'fullWeek' => (array) $lanes->fullWeek,
        'weekends' => count($lanes->weekends),
        'last' => $lanes->weekends[17],
        'today' => $lanes->today,
    ])
        ->toEqual(drawnBefore('lanes2'))
        ->and(Lanes::lay(array_slice($files, 0, 2), LocalDate::of('2026-11-24'), 120)->fullWeek)
        ->toBeNull()
        // Those that have closed, or close beyond what is shown, fill no week.
        ->and(Lanes::lay($files, LocalDate::of('2026-11-26'), 40)->fullWeek)
        ->toBeNull();
});
