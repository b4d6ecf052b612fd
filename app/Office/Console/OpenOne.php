<?php

declare(strict_types=1);

namespace App\Office\Console;

use App\Office\Actions\OpenBrokerage;
use Illuminate\Console\Command;
use Unanimus\Steps\StepRefused;

/** Opens a brokerage on this installation. */
final class OpenOne extends Command
{
    protected $signature = 'brokerage:open {name : of the brokerage} {--office= : its first office}
        {--zone=America/New_York : of that office}
        {--administrator= : who sets it up} {--email= : where the invitation goes}';

    protected $description = 'Opens a brokerage with its first office and administrator, who is invited by email';

    public function handle(OpenBrokerage $open): int
    {
        try {
            $brokerage = $open(
                (string) $this->argument('name'),
                (string) ($this->option('office') ?: $this->argument('name')),
                (string) $this->option('zone'),
                (string) $this->option('administrator'),
                (string) $this->option('email'),
            );
        } catch (StepRefused $refused) {
            $this->error($refused->getMessage());

            return self::FAILURE;
        }
        $this->info("{$brokerage->name} is open as number {$brokerage->id}. The invitation is on its way to {$this->option('email')}.");

        return self::SUCCESS;
    }
}
