<?php

declare(strict_types=1);

namespace App\Forms\Console;

use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;
use Unanimus\Dates\LocalDate;
use Unanimus\Forms\Library;
use Unanimus\Forms\SaidTerm;
use Unanimus\Forms\SaidTerms;
use Unanimus\Intake\StackReader;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\ToolFailed;

/** Prints what a contract on another form says of its deal. */
final class ReadContract extends Command
{
    protected $signature = 'forms:terms {file : a PDF, also a scan}';

    protected $description = 'Prints what a contract on another form says of its deal as JSON (docs/formats.md)';

    public function handle(Library $library): int
    {
        $path = (string) $this->argument('file');
        if (! is_file($path) || ! is_readable($path)) {
            fwrite(STDERR, "forms:terms: {$path} cannot be read.\n");

            return self::FAILURE;
        }
        try {
            PdfLook::into($path);
            $words = (new StackReader($library))->read($path)['words'];
        } catch (PdfRefused|ToolFailed $refused) {
            fwrite(STDERR, "forms:terms: {$path}: {$refused->getMessage()}\n");

            return self::FAILURE;
        }
        $said = SaidTerms::in($words, LocalDate::at(now(), new \DateTimeZone('America/New_York')));
        $said === [] && fwrite(STDERR, "forms:terms: it says nothing of a deal.\n");
        $this->output->writeln(
            (string) json_encode(
                array_map(static fn (SaidTerm $one) => $one->toArray(), $said),
                JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE,
            ),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }
}
