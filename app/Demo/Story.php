<?php

declare(strict_types=1);

namespace App\Demo;

use Carbon\CarbonInterface;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\BusinessCalendar;
use Unanimus\Dates\LocalDate;

/**
 * The days on which the demo's story happens. The database follows only where its owner let it, while the demo is laid out;
 * elsewhere everything happens now, in the same order.
 */
final class Story
{
    private const ZONE = 'America/New_York';

    private LocalDate $today;

    private bool $isTold;

    public function __construct()
    {
        $this->today = LocalDate::at(now()->toImmutable(), new \DateTimeZone(self::ZONE));
        DB::select("SELECT set_config('unanimus.story', '-1 day', true)");
        $this->isTold = (bool) DB::scalar("SELECT the_moment() < clock_timestamp() - interval '1 hour'");
        $this->now();
    }

    /** The day the demo is laid out. */
    public function today(): LocalDate
    {
        return $this->today;
    }

    /** So many days from today, or the next day on which business is done. */
    public function businessDay(int $days): LocalDate
    {
        $day = $this->today->plusDays($days);
        // The office keeps these too.
        $eves = ["{$day->year()}-12-24" => 'Christmas Eve', "{$day->year()}-12-31" => 'New Year’s Eve'];

        return (new BusinessCalendar($eves))->roll($day);
    }

    /** What follows happens that many days from today, from that time of day on. */
    public function at(int $days, string $time): void
    {
        if (! $this->isTold) {
            return;
        }
        Carbon::setTestNow();
        $then = new \DateTimeImmutable($this->today->plusDays($days)->iso().' '.$time, new \DateTimeZone(self::ZONE));
        // Nothing of the story lies ahead, whatever hour it is laid out.
        $seconds = min(-1, $then->getTimestamp() - time());
        DB::select("SELECT set_config('unanimus.story', ?, true)", ["{$seconds} seconds"]);
        Carbon::setTestNow(static fn (CarbonInterface $real) => $real->addSeconds($seconds));
    }

    public function now(): void
    {
        Carbon::setTestNow();
        DB::select("SELECT set_config('unanimus.story', '', true)");
    }
}
