<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Schedule;
use Unanimus\Pages\Scratch;

Schedule::command('rounds:sweep')->everyMinute()->withoutOverlapping(5);
Schedule::command('files:sweep')->everyFifteenMinutes()->withoutOverlapping(10);
Schedule::command('fill-requests:sweep')->hourly()->withoutOverlapping(10);
Schedule::command('sets:sweep')->everyFifteenMinutes()->withoutOverlapping(10);
// Pages of papers that a killed worker left half-done.
Schedule::call(static fn () => Scratch::clear(3600))->hourly()->name('scratch');
