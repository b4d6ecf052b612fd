<?php

declare(strict_types=1);

use Unanimus\Dates\LocalDate;
use Unanimus\Dates\TimeOfDay;
use Unanimus\Signing\DateLook;
use Unanimus\Signing\LastMoment;
use Unanimus\Signing\Recipients;
use Unanimus\Signing\ReminderPlan;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Signing\SmallRounds;
use Unanimus\Steps\StepRefused;

it('reminds on the mornings that were chosen, never on the day it was sent', function (string $today, int $hour, bool $isDue) {
    $plan = new ReminderPlan([2, 0]);
    expect($plan->isDue(LocalDate::of($today), $hour, LocalDate::of('2026-11-25'), LocalDate::of('2026-11-27')))->toBe($isDue);
})->with([
    'two days before, on the day it was sent' => ['2026-11-25', 9, false],
    'the day before, which was not chosen' => ['2026-11-26', 9, false],
    'the last day, before the morning' => ['2026-11-27', 7, false],
    'the last day, in the morning' => ['2026-11-27', 8, true],
    'the last day, in the evening' => ['2026-11-27', 22, true],
    'the day after' => ['2026-11-28', 9, false],
]);

it('never reminds of a round without a last day, or where no day was chosen', function () {
    $days = [LocalDate::of('2026-11-27'), 9, LocalDate::of('2026-11-20')];
    expect((new ReminderPlan([0]))->isDue(...[...$days, null]))
        ->toBeFalse()
        ->and((new ReminderPlan([]))->isDue(...[...$days, LocalDate::of('2026-11-27')]))
        ->toBeFalse();
});

it('says when it reminds', function (array $days, string $words) {
    expect((new ReminderPlan($days))->readable())->toBe($words);
})->with([
    [[], 'never'],
    [[0], 'on the last day'],
    [[0, 5, 1], '5 days before, the day before and on the last day'],
]);

it('reads names and addresses as people type them, each address once', function () {
    $typed = "Nadia Petrov <nadia@anchorfield.example>, owen@brackwater.example;\n \"Owen\" <OWEN@brackwater.example>\n\n";
    $read = Recipients::read($typed);
    expect($read)
        ->toBe([
            ['name' => 'Nadia Petrov', 'email' => 'nadia@anchorfield.example'],
            ['name' => 'owen@brackwater.example', 'email' => 'owen@brackwater.example'],
        ])
        ->and(Recipients::lines($read))
        ->toBe("Nadia Petrov <nadia@anchorfield.example>\nowen@brackwater.example")
        ->and(Recipients::read(Recipients::lines($read)))
        ->toBe($read)
        ->and(Recipients::read(" \n"))
        ->toBe([]);
});

it('refuses what is no address, and more people than a copy goes to', function (string $typed, SigningRefusal $reason) {
    expect(fn () => Recipients::read($typed))->toThrow(fn (StepRefused $no) => expect($no->reason)->toBe($reason));
})->with([
    ['Nadia', SigningRefusal::NoEmailAddress],
    ['Nadia <nadia>', SigningRefusal::NoEmailAddress],
    [implode(',', array_map(fn (int $n) => "n{$n}@eide.example", range(1, 21))), SigningRefusal::TooManyCopies],
]);

it('says when a last moment has passed, by the clocks of its zone', function (string $day, ?string $at, string $now, bool $isPast) {
    $last = new LastMoment(LocalDate::of($day), $at === null ? null : TimeOfDay::of($at));
    expect($last->isPast(new DateTimeImmutable($now), new DateTimeZone('America/New_York')))->toBe($isPast);
})->with([
    ['2026-12-04', null, '2026-12-05T04:59:00Z', false],
    ['2026-12-04', null, '2026-12-05T05:00:00Z', true],
    ['2026-12-04', '17:00', '2026-12-04T21:59:59Z', false],
    ['2026-12-04', '17:00', '2026-12-04T22:00:00Z', true],
    ['2026-12-04', '17:00', '2026-12-03T23:00:00Z', false],
    ['2026-12-04', '17:00', '2026-12-05T14:00:00Z', true],
    ['2026-12-04', '24:00', '2026-12-05T04:59:00Z', false],
]);

it('tells a last moment as it is read', function () {
    expect((new LastMoment(LocalDate::of('2026-12-04'), TimeOfDay::of('17:00')))->short(2026))
        ->toBe('Fri, Dec 4, until 5:00 pm')
        ->and((new LastMoment(LocalDate::of('2026-12-04')))->short(2026))
        ->toBe('Fri, Dec 4');
});

it('parts a set by what its papers are for, and leaves together what belongs together', function () {
    $paper = fn (string $key, string $title, string $stage) => ['key' => $key, 'title' => $title, 'stage' => $stage];
    $parts = SmallRounds::of([
        $paper('c', 'Purchase agreement', 'offer'),
        $paper('d', 'Lead-based paint disclosure', 'offer'),
        $paper('a', 'Agency disclosure', 'agency'),
        $paper('w', 'Wire-fraud advisory', 'closing'),
    ]);
    expect($parts)
        ->toBe(['Agency' => ['a'], 'Disclosures' => ['d', 'w'], 'Agreement' => ['c']])
        ->and(SmallRounds::of([$paper('c', 'Purchase agreement', 'offer'), $paper('e', 'Extension', 'contract')]))
        ->toBe([])
        ->and(SmallRounds::of([]))
        ->toBe([]);
});

it('writes the date beside a signature as the office wants it', function (string $stored, string $text) {
    $look = DateLook::of($stored);
    $at = new DateTimeImmutable('2026-12-05T03:12:00Z');
    expect($look->text($at, new DateTimeZone('America/New_York')))->toBe($text);
})->with([
    ['slashes', '12/04/2026'],
    ['slashes+time', '12/04/2026 10:12 pm ET'],
    ['short', 'Dec 4, 2026'],
    ['long', 'December 4, 2026'],
    ['long+time', 'December 4, 2026, 10:12 pm ET'],
    ['else', '12/04/2026'],
    ['', '12/04/2026'],
]);

it('stores the look of dates and reads it back', function () {
    foreach (DateLook::FORMS as $form) {
        expect(DateLook::of("{$form}+time")->stored())->toBe("{$form}+time")->and(DateLook::of($form)->stored())->toBe($form);
    }
});
