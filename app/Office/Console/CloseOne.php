<?php

declare(strict_types=1);

namespace App\Office\Console;

use App\Models\Brokerage;
use App\Models\Sight;
use App\Office\Actions\OpenBrokerage;
use Illuminate\Console\Command;

/** Closes a brokerage: nobody comes in any more; what it has stays, and can be moved out. */
final class CloseOne extends Command
{
    protected $signature = 'brokerage:close {number : as brokerage:open told it} {--name= : its name, to be sure}';

    protected $description = 'Closes a brokerage to everybody; what it has stays and can be moved out';

    public function handle(OpenBrokerage $open): int
    {
        $id = (int) $this->argument('number');
        $brokerage = in_array($id, Sight::brokerages(), true)
            ? Sight::within($id, static fn (): ?Brokerage => Brokerage::query()->find($id))
            : null;
        if ($brokerage === null || $brokerage->name !== $this->option('name')) {
            $this->error('Name the brokerage with its number and --name="Its Name", as it is called here. Nothing was closed.');

            return self::FAILURE;
        }
        $count = $open->close($brokerage);
        $this->info($count === 1 ? 'Closed: one person was signed out.' : "Closed: {$count} people were signed out.");

        return self::SUCCESS;
    }
}
