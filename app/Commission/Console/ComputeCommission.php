<?php

declare(strict_types=1);

namespace App\Commission\Console;

use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;
use Unanimus\Commission\Reckoning;
use Unanimus\Commission\ReckoningRefused;

/** Reckons a commission that is written down in a file, and prints the sheet. */
final class ComputeCommission extends Command
{
    protected $signature = 'commission:compute {file : JSON as docs/formats.md says}';

    protected $description = 'Prints a commission sheet as JSON: payees, steps, what keeps it from release, what counts after it';

    public function handle(): int
    {
        $path = (string) $this->argument('file');
        if (! is_file($path) || ! is_readable($path)) {
            return $this->fault("{$path} cannot be read.");
        }
        $given = json_decode((string) file_get_contents($path), true);
        if (! is_array($given)) {
            return $this->fault("{$path} is no JSON object.");
        }
        try {
            $sheet = Reckoning::of($given);
        } catch (ReckoningRefused $refused) {
            return $this->fault($refused->getMessage());
        }
        foreach (array_keys($sheet['sides']) as $index) {
            unset($sheet['sides'][$index]['parts']);
        }
        $this->output->writeln(
            (string) json_encode($sheet, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }

    private function fault(string $told): int
    {
        fwrite(STDERR, "commission:compute: {$told}\n");

        return self::FAILURE;
    }
}
