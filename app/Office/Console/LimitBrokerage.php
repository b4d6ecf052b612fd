<?php

declare(strict_types=1);

namespace App\Office\Console;

use App\History\History;
use App\Models\Sight;
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
        $before = $of->clone()->first(['most_people', 'most_bytes']);
        $values === [] || $of->clone()->update($values);
        $now = $of->first(['id', 'name', 'most_people', 'most_bytes']);
        $limits = [
            'people' => (string) ($now->most_people ?? 'any number of'),
            'gigabytes' => $now->most_bytes === null ? 'any number of' : (string) intdiv((int) $now->most_bytes, 1_000_000_000),
        ];
        if ([$before?->most_people, $before?->most_bytes] !== [$now->most_people, $now->most_bytes]) {
            Sight::within((int) $now->id, static fn () => History::ofBrokerage((int) $now->id, 'Limits set', $limits));
        }
        $this->info("{$now->name}: {$limits['people']} people, {$limits['gigabytes']} GB");

        return self::SUCCESS;
    }
}
