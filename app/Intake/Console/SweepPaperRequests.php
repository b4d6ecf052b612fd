<?php

declare(strict_types=1);

namespace App\Intake\Console;

use App\Intake\Actions\AskForPapers;
use App\Models\PaperRequest;
use App\Models\Sight;
use Illuminate\Console\Command;

/** Reminds those who are asked for papers, once, two days before the last day. */
final class SweepPaperRequests extends Command
{
    private const DAYS_BEFORE = 2;

    protected $signature = 'paper-requests:sweep';

    protected $description = 'Reminds people of papers that are still to come';

    public function handle(AskForPapers $ask): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            Sight::within($brokerage, static function () use ($ask): void {
                $near = PaperRequest::query()
                    ->with(['file.office', 'asker', 'asked'])
                    ->whereNull('ended_at')
                    ->whereNull('reminded_on')
                    ->where('email', '<>', '')
                    ->where('created_at', '<', now()->subDay())
                    ->where('last_day', '<=', now()->addDays(self::DAYS_BEFORE + 1)->toDateString())
                    ->get();
                foreach ($near as $asking) {
                    $today = $asking->file->office->today();
                    $isNear = ! $today->plusDays(self::DAYS_BEFORE)->isBefore($asking->last_day);
                    $isNear && $asking->isOpen() && $asking->isWaiting() && $asking->file->status->isOpen() && $ask->remind($asking);
                }
            });
        }

        return self::SUCCESS;
    }
}
