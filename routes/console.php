<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Schedule;

Schedule::command('rounds:sweep')->everyMinute()->withoutOverlapping(5);
Schedule::command('files:sweep')->everyFifteenMinutes()->withoutOverlapping(10);
Schedule::command('fill-requests:sweep')->hourly()->withoutOverlapping(10);
Schedule::command('sets:sweep')->everyFifteenMinutes()->withoutOverlapping(10);
