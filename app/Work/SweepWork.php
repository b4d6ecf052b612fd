<?php

declare(strict_types=1);

namespace App\Work;

use App\Models\Sight;
use Illuminate\Console\Command;

/** Begins again what killed workers have left. */
final class SweepWork extends Command
{
    protected $signature = 'work:sweep';

    protected $description = 'Begins again slow work that was killed half-way';

    public function handle(): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            Work::sweep($brokerage);
        }

        return self::SUCCESS;
    }
}
