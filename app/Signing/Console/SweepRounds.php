<?php

declare(strict_types=1);

namespace App\Signing\Console;

use App\Models\Round;
use App\Models\Sight;
use App\Signing\Actions\RecordEvent;
use App\Signing\Jobs\SealRound;
use Illuminate\Console\Command;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundStatus;
use Unanimus\Steps\StepRefused;

/** Picks up complete rounds without their sealed set, and ends rounds whose last day has passed. */
final class SweepRounds extends Command
{
    protected $signature = 'rounds:sweep';

    protected $description = 'Ends rounds past their last day; picks up unsealed sets';

    public function handle(RecordEvent $record): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            Sight::within($brokerage, function () use ($brokerage, $record): void {
                foreach (
                    Round::query()
                        ->where('status', 'complete')
                        ->where('over_at', '<', now()->subMinutes(3))
                        ->whereDoesntHave('sealedSet')
                        ->pluck('id') as $id
                ) {
                    SealRound::begin($brokerage, (int) $id);
                }
                foreach (Round::query()->with('file.office')->where('status', 'out')->whereNotNull('last_day')->get() as $round) {
                    if (
                        $round->status === RoundStatus::Out &&
                        $round->last_day?->isBefore($round->file->office->today())
                    ) {
                        try {
                            $record($round, new RoundEvent(EventKind::Lapsed), 'lapsed');
                        } catch (StepRefused) {
                            // Its last signer finished in this very moment.
                        }
                    }
                }
            });
        }

        return self::SUCCESS;
    }
}
