<?php

declare(strict_types=1);

namespace App\Forms\Console;

use App\Forms\Actions\KeepFillRequest;
use App\Models\FillRequest;
use App\Models\Sight;
use Illuminate\Console\Command;
use Unanimus\Forms\FillStatus;

/** Reminds clients of what they have not finished, once, two days before the last day. */
final class SweepFillRequests extends Command
{
    private const DAYS_BEFORE = 2;

    protected $signature = 'fill-requests:sweep';

    protected $description = 'Reminds clients of what is still to fill in';

    public function handle(KeepFillRequest $keep): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            Sight::within($brokerage, static function () use ($keep): void {
                $near = FillRequest::query()
                    ->with(['file.office', 'asker'])
                    ->where('status', FillStatus::Out)
                    ->whereNull('reminded_on')
                    ->where(
                        'last_day',
                        '<=',
                        now()
                            ->addDays(self::DAYS_BEFORE + 1)
                            ->toDateString(),
                    )
                    ->get();
                foreach ($near as $fill) {
                    $today = $fill->file->office->today();
                    // Whoever was asked only just now is not reminded at once.
                    $fresh = $fill->created_at?->greaterThan(now()->subDay()) ?? false;
                    ! $fresh && $fill->takes() && ! $today->plusDays(self::DAYS_BEFORE)->isBefore($fill->last_day) && $keep->remind($fill);
                }
            });
        }

        return self::SUCCESS;
    }
}
