<?php

declare(strict_types=1);

namespace App\Signing\Console;

use Illuminate\Console\Command;
use Unanimus\Evidence\SealCheck;

/** Says whether a sealed PDF holds: every byte under the seal, nothing added, hidden or changed, the time stamp in order. */
final class VerifySeal extends Command
{
    protected $signature = 'seal:verify {file : a PDF}';

    protected $description = 'Checks a sealed PDF, byte for byte';

    public function handle(): int
    {
        $path = (string) $this->argument('file');
        if (! is_file($path) || ! is_readable($path)) {
            $this->error("{$path} cannot be read.");

            return self::INVALID;
        }
        $check = SealCheck::of((string) file_get_contents($path));
        if (! $check['valid']) {
            $this->error("Does not hold: {$check['why']}");

            return self::FAILURE;
        }
        $this->info("Holds. Every byte is under the seal; sealed at {$check['sealedAt']}.");

        return self::SUCCESS;
    }
}
