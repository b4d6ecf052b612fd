<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schedule;
use Unanimus\Pages\Scratch;

// By this it is seen that the scheduler runs.
Schedule::command('installation:beat')->everyMinute();
Schedule::command('reports:send')->monthlyOn(1, '6:00')->withoutOverlapping(60);
Schedule::command('retention:sweep')->dailyAt('3:10')->withoutOverlapping(600);
Schedule::command('bytes:verify --for=3600')->dailyAt('1:30')->withoutOverlapping(120);
Schedule::command('moving:sweep')->dailyAt('3:40')->withoutOverlapping(60);
Schedule::command('shelf:sweep')->everyFifteenMinutes()->withoutOverlapping(20);
Schedule::command('hooks:sweep')->everyMinute()->withoutOverlapping(5);
Schedule::command('notices:sweep')->everyMinute()->withoutOverlapping(10);
Schedule::command('roster:sweep')->everyFifteenMinutes()->withoutOverlapping(20);
Schedule::command('messages:sweep')->everyMinute()->withoutOverlapping(5);
Schedule::command('rounds:sweep')->everyMinute()->withoutOverlapping(5);
Schedule::command('history:stamp')->hourly()->withoutOverlapping(30);
Schedule::command('mail:fetch')
    ->everyMinute()
    ->withoutOverlapping(10)
    ->when(static fn () => (string) config('unanimus.intake.imap') !== '');
Schedule::command('work:sweep')->everyMinute()->withoutOverlapping(5);
Schedule::command('files:sweep')->everyFifteenMinutes()->withoutOverlapping(10);
Schedule::command('fill-requests:sweep')->hourly()->withoutOverlapping(10);
Schedule::command('paper-requests:sweep')->hourly()->withoutOverlapping(10);
Schedule::command('sets:sweep')->everyFifteenMinutes()->withoutOverlapping(10);
// Pages of papers that a killed worker left half-done.
Schedule::call(static fn () => Scratch::clear(900))->everyFiveMinutes()->name('scratch');
// What was kept for a while and is past it; a cache elsewhere does this by itself.
Schedule::call(static fn () => config('cache.default') === 'database' && DB::table('cache')->where('expiration', '<', time())->delete())
    ->daily()
    ->name('cache');

// Of several machines that keep time, one does each.
foreach (Schedule::events() as $event) {
    $event->description === 'scratch' || $event->onOneServer();
}
