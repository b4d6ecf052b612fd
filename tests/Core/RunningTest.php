<?php

declare(strict_types=1);

use Unanimus\Running\Checks;
use Unanimus\Running\Finding;
use Unanimus\Running\Level;

it('says what is well and what is not, at its limits', function (Finding $finding, Level $level, string $part) {
    expect($finding->level)->toBe($level, $finding->says)->and($finding->says)->toContain($part);
})->with([
    [fn () => Checks::disk(6 * 1024 ** 3), Level::Well, '6.0 GB free'],
    [fn () => Checks::disk(4 * 1024 ** 3), Level::Look, 'Make room'],
    [fn () => Checks::disk(100 * 1024 ** 2), Level::Broken, '100 MB free'],
    [fn () => Checks::disk(null), Level::Broken, 'cannot be reached'],
    [fn () => Checks::backup(null), Level::Look, 'No backup was taken yet'],
    [fn () => Checks::backup(3600), Level::Well, '60 minutes'],
    [fn () => Checks::backup(30 * 3600), Level::Look, '30 hours'],
    [fn () => Checks::backup(5 * 86_400), Level::Broken, '5 days'],
    [fn () => Checks::rehearsal(null, false), Level::Look, 'never tried'],
    [fn () => Checks::rehearsal(null, true), Level::Look, './unanimus rehearse'],
    [fn () => Checks::rehearsal(40 * 86_400, true), Level::Well, '40 days'],
    [fn () => Checks::rehearsal(40 * 86_400 + 1, false), Level::Broken, 'last tried 40 days ago'],
    [fn () => Checks::bytes(null, null), Level::Look, 'not all read back yet'],
    [fn () => Checks::bytes(7200, null), Level::Well, 'whole 2 hours ago'],
    [fn () => Checks::bytes(7200, 60), Level::Broken, 'bytes:verify --anew'],
    [fn () => Checks::bytes(60, 7200), Level::Well, 'whole'],
    [fn () => Checks::bytes(null, 60), Level::Broken, 'damaged or gone'],
    [fn () => Checks::log(false, false, true), Level::Broken, 'though they are set'],
    [fn () => Checks::log(true, true, true), Level::Broken, 'cannot be put'],
    [fn () => Checks::log(true, false, true), Level::Well, 'as it is written'],
    [fn () => Checks::log(false, true, false), Level::Look, 'as old as its backup'],
    [fn () => Checks::queues(['sealing' => 300]), Level::Well, 'five minutes'],
    [fn () => Checks::queues(['sealing' => 301, 'sets' => 2]), Level::Broken, 'sealing for 5 minutes'],
    [fn () => Checks::scheduler(60), Level::Well, '60 seconds ago'],
    [fn () => Checks::scheduler(301), Level::Broken, 'Reminders'],
    [fn () => Checks::scheduler(null), Level::Look, 'not run yet'],
    [fn () => Checks::clock(-1.5), Level::Well, 'agree'],
    [fn () => Checks::clock(-2.5), Level::Look, '2.5 seconds'],
    [fn () => Checks::clock(31.0), Level::Broken, 'wrong time'],
    [fn () => Checks::services([]), Level::Well, 'All answered'],
    [fn () => Checks::services(['the mail server' => [1, 'refused']]), Level::Look, 'The mail server failed 1 time'],
    [
        fn () => Checks::services(['the mail server' => [1, 'x'], 'the time stamp' => [3, 'y']]),
        Level::Broken,
        'the time stamp failed 3 times',
    ],
    [fn () => Checks::mail(0), Level::Well, 'Nothing waits'],
    [fn () => Checks::mail(1), Level::Broken, 'One email has'],
    [fn () => Checks::seals(2), Level::Broken, '2 signed rounds have'],
    [fn () => Checks::seals(0), Level::Well, 'sealed'],
    [fn () => Checks::stopped(1), Level::Look, 'One thing is'],
    [fn () => Checks::stopped(0), Level::Well, 'None'],
    [fn () => Checks::settings('http://here.example', false, false), Level::Look, 'without encryption'],
    [fn () => Checks::settings('https://here.example', true, false), Level::Look, 'APP_DEBUG'],
    [fn () => Checks::settings('https://here.example', false, false), Level::Well, 'https://here.example'],
    [fn () => Checks::settings('http://127.0.0.1', false, true), Level::Well, 'demo'],
]);

it('tells the end of a certificate a month before', function () {
    $now = new DateTimeImmutable('2026-11-29 12:00');
    $of = fn (string $when) => Checks::certificate('seal', new DateTimeImmutable($when), $now)->level;
    expect($of('2027-06-01'))->toBe(Level::Well)
        ->and($of('2026-12-20'))->toBe(Level::Look)
        ->and($of('2026-11-29 11:59'))->toBe(Level::Broken)
        ->and(Checks::certificate('seal', null, $now)->level)->toBe(Level::Broken);
});

it('knows the worse of two', function () {
    expect(Level::Well->worse(Level::Broken))->toBe(Level::Broken)->and(Level::Look->worse(Level::Well))->toBe(Level::Look);
});
