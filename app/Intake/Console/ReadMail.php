<?php

declare(strict_types=1);

namespace App\Intake\Console;

use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;
use Unanimus\Intake\MailReader;

/** Prints what was understood of a letter. */
final class ReadMail extends Command
{
    protected $signature = 'mail:read {file : a message as it came over the wire, .eml}';

    protected $description = 'Prints what was understood of a letter as JSON (docs/formats.md)';

    public function handle(): int
    {
        $path = (string) $this->argument('file');
        if (! is_file($path) || ! is_readable($path)) {
            fwrite(STDERR, "mail:read: {$path} cannot be read.\n");

            return self::FAILURE;
        }
        $this->output->writeln(
            (string) json_encode(
                MailReader::read((string) file_get_contents($path), (array) config('unanimus.intake.servers'))->toArray(),
                JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE,
            ),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }
}
