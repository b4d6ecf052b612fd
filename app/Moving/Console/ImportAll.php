<?php

declare(strict_types=1);

namespace App\Moving\Console;

use App\Moving\ImportBrokerage;
use App\Moving\MoveRefused;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Takes a brokerage in from a folder that brokerage:export wrote. */
final class ImportAll extends Command
{
    protected $signature = 'brokerage:import {folder : that brokerage:export wrote} {--database=owner}';

    protected $description = 'Takes a brokerage in from a folder';

    public function handle(ImportBrokerage $import): int
    {
        try {
            $rows = $import(DB::connection((string) $this->option('database')), rtrim((string) $this->argument('folder'), '/'));
        } catch (MoveRefused $refused) {
            $this->error($refused->getMessage());

            return self::FAILURE;
        }
        $this->info(array_sum($rows).' rows of '.count($rows).' tables taken in.');

        return self::SUCCESS;
    }
}
