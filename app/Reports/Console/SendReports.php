<?php

declare(strict_types=1);

namespace App\Reports\Console;

use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\KeptReport;
use App\Models\Sight;
use App\Reports\Asked;
use App\Reports\Report;
use App\Reports\ReportTables;
use App\Storage\Bytes;
use Illuminate\Console\Command;
use Unanimus\Pages\Press;
use Unanimus\Reports\ReportPages;

/** Sends the reports that people keep and want each month, once a month each, as they alone see them. */
final class SendReports extends Command
{
    protected $signature = 'reports:send';

    protected $description = 'Sends kept reports that are wanted each month';

    public function handle(Press $press, Bytes $bytes): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            $ids = Sight::within($brokerage, static fn () => KeptReport::query()->where('monthly', true)->pluck('id')->all());
            foreach ($ids as $id) {
                Sight::within($brokerage, fn () => $this->send((int) $id, $press, $bytes));
            }
        }

        return self::SUCCESS;
    }

    private function send(int $id, Press $press, Bytes $bytes): void
    {
        $kept = KeptReport::query()->with('user')->find($id);
        if ($kept === null || ! $kept->user->active) {
            return;
        }
        $today = Asked::today($kept->user);
        $once = "report:{$kept->key}:".substr($today->iso(), 0, 7);
        if (Post::isPut($once)) {
            return;
        }
        // What they may see, and no more.
        Sight::ofPerson($kept->user);
        $pages = ReportPages::draw(...ReportTables::pages(Report::of(Asked::of($kept->asked, $today)), $kept->user));
        Sight::ofBrokerage($kept->brokerage_id);
        Post::attached(
            $kept->brokerage_id,
            $once,
            [$bytes->keep($kept->brokerage_id, $press->print($pages)), 'report.pdf'],
            Addressee::user($kept->user),
            Wording::of('report', ['name' => $kept->name, 'month' => Report::monthName(substr($today->iso(), 0, 7))]),
            '/reports?'.http_build_query($kept->asked),
        );
    }
}
