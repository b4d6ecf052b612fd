<?php

declare(strict_types=1);

namespace App\Assembly\Console;

use App\Assembly\Jobs\MakeLargeSet;
use App\Models\AssembledSet;
use App\Models\Sight;
use Illuminate\Console\Command;

/** Has sets made that were begun and never finished, because something crashed in between. */
final class SweepSets extends Command
{
    protected $signature = 'sets:sweep';

    protected $description = 'Picks up sets of papers that were begun and never finished';

    public function handle(): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            foreach (
                Sight::within(
                    $brokerage,
                    static fn () => AssembledSet::query()
                        ->whereIn('status', ['waiting', 'making'])
                        ->where('updated_at', '<', now()->subMinutes(15))
                        ->pluck('id')
                        ->all(),
                ) as $id
            ) {
                Sight::within($brokerage, static fn () => MakeLargeSet::begin($brokerage, (int) $id));
            }
        }

        return self::SUCCESS;
    }
}
