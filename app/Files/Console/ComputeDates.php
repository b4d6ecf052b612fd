<?php

declare(strict_types=1);

namespace App\Files\Console;

use Illuminate\Console\Command;
use Unanimus\Dates\CircularRules;
use Unanimus\Dates\DateRequest;
use Unanimus\Dates\RuleUnreadable;

/** Computes dates from a file of anchors and rules, and prints them as JSON. */
final class ComputeDates extends Command
{
    protected $signature = 'dates:compute {file : a JSON file as described in docs/formats.md; - reads standard input}';

    protected $description = 'Computes deadlines from anchors and rules and prints them as JSON';

    public function handle(): int
    {
        $path = (string) $this->argument('file');
        $json = @file_get_contents($path === '-' ? 'php://stdin' : $path);
        if ($json === false) {
            $this->fault("{$path} cannot be read.");

            return self::FAILURE;
        }
        try {
            $answer = DateRequest::fromJson($json, now())->answer();
        } catch (RuleUnreadable|CircularRules $unreadable) {
            $this->fault($unreadable->getMessage());

            return self::FAILURE;
        }
        $this->output->writeln(
            (string) json_encode($answer, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
            \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }

    private function fault(string $message): void
    {
        fwrite(STDERR, "dates:compute: {$message}\n");
    }
}
