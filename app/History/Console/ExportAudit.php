<?php

declare(strict_types=1);

namespace App\History\Console;

use App\History\AuditTrail;
use App\Models\Sight;
use Illuminate\Console\Command;
use Illuminate\Support\Carbon;

/** Writes all that happened in a brokerage in a time, a JSON object a line; cut off, it leaves only what is called unfinished. */
final class ExportAudit extends Command
{
    protected $signature = 'audit:export {file : where to} {--brokerage=1}
        {--from= : a day (UTC), such as 2026-11-01} {--until= : the day after the last}';

    protected $description = 'Writes sign-ins and histories of a time, a JSON object a line';

    public function handle(): int
    {
        $days = [];
        foreach (['from' => '1970-01-01', 'until' => now()->addDay()->format('Y-m-d')] as $which => $usual) {
            $said = (string) ($this->option($which) ?? $usual);
            $day = preg_match('/^\d{4}-\d{2}-\d{2}$/', $said) === 1 ? Carbon::createFromFormat('!Y-m-d', $said, 'UTC') : null;
            if ($day === null || $day->format('Y-m-d') !== $said) {
                $this->error("--{$which}: “{$said}” is no day such as 2026-11-01. Nothing was written.");

                return self::INVALID;
            }
            $days[] = $day;
        }
        $file = (string) $this->argument('file');
        $brokerage = (int) $this->option('brokerage');
        if (! in_array($brokerage, Sight::brokerages(), true)) {
            $this->error("There is no brokerage {$brokerage}. Nothing was written.");

            return self::INVALID;
        }
        $into = file_exists($file) ? false : @fopen("{$file}.unfinished", 'w');
        if ($into === false) {
            $this->error("{$file} cannot be written, or is there already. Nothing was written.");

            return self::INVALID;
        }
        chmod("{$file}.unfinished", 0600);
        $count = Sight::within($brokerage, static fn (): int => AuditTrail::write($into, ...$days));
        fclose($into);
        rename("{$file}.unfinished", $file);
        $this->info("{$file}: ".number_format($count).' lines');

        return self::SUCCESS;
    }
}
