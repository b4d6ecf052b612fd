<?php

declare(strict_types=1);

namespace App\History\Console;

use App\History\Stamps;
use App\Models\Sight;
use Illuminate\Console\Command;
use Unanimus\Evidence\StampUnavailable;

/** Has the ends of all histories that moved stamped, outside the database. */
final class StampHistory extends Command
{
    protected $signature = 'history:stamp';

    protected $description = 'Has the ends of all histories stamped by the time-stamping authority';

    public function handle(Stamps $stamps): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            try {
                $count = Sight::within($brokerage, static fn (): int => $stamps->take($brokerage));
            } catch (StampUnavailable $unavailable) {
                $this->warn("Not stamped now, the next run takes them along: {$unavailable->getMessage()}");

                return self::FAILURE;
            }
            $this->info("{$count} histories stamped");
        }

        return self::SUCCESS;
    }
}
