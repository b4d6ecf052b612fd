<?php

declare(strict_types=1);

namespace App\Office\Console;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Says how many people and how much room a brokerage may have; the operator's alone, by the database's owner. */
final class LimitBrokerage extends Command
{
    protected $signature = 'brokerage:limits {number : as brokerage:open told it} {--people= : how many, or none} {--gigabytes= : or none}
        {--database=owner}';

    protected $description = 'Says how many people and how much room a brokerage may have';

    public function handle(): int
    {
        $values = [];
        foreach (['people' => ['most_people', 1], 'gigabytes' => ['most_bytes', 1_000_000_000]] as $option => [$column, $unit]) {
            $said = $this->option($option);
            if ($said === null) {
                continue;
            }
            if ($said !== 'none' && preg_match('/^[1-9]\d{0,5}$/', (string) $said) !== 1) {
                $this->error("--{$option} is a whole number, or none. Nothing was changed.");

                return self::INVALID;
            }
            $values[$column] = $said === 'none' ? null : (int) $said * $unit;
        }
        $of = DB::connection((string) $this->option('database'))->table('brokerages')->where('id', (int) $this->argument('number'));
        if ($of->clone()->doesntExist()) {
            $this->error("There is no brokerage {$this->argument('number')}. Nothing was changed.");

            return self::INVALID;
        }
        $values === [] || $of->clone()->update($values);
        $now = $of->first(['name', 'most_people', 'most_bytes']);
        $this->info(sprintf(
            '%s: %s people, %s GB',
            $now->name,
            $now->most_people ?? 'any number of',
            $now->most_bytes === null ? 'any number of' : (string) intdiv((int) $now->most_bytes, 1_000_000_000),
        ));

        return self::SUCCESS;
    }
}
