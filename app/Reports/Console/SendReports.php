<?php

declare(strict_types=1);

namespace App\Reports\Console;

use App\Models\KeptReport;
use App\Models\Sight;
use App\Reports\Actions\SendReport;
use Illuminate\Console\Command;

/** Sends the reports that people keep and want each month, once a month each, as they alone see them. */
final class SendReports extends Command
{
    protected $signature = 'reports:send';

    protected $description = 'Sends kept reports that are wanted each month';

    public function handle(SendReport $send): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            $ids = Sight::within($brokerage, static fn () => KeptReport::query()->where('monthly', true)->pluck('id')->all());
            foreach ($ids as $id) {
                Sight::within($brokerage, static function () use ($id, $send): void {
                    $kept = KeptReport::query()->with('user')->find((int) $id);
                    $kept === null || $send->monthly($kept);
                });
            }
        }

        return self::SUCCESS;
    }
}
