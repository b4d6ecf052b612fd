<?php

declare(strict_types=1);

namespace App\Forms\Console;

use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;
use Unanimus\Pages\PdfField;
use Unanimus\Pages\PdfFields;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\PdfRefused;

/** Prints the fields of a fillable PDF as JSON. */
final class InspectPdf extends Command
{
    protected $signature = 'forms:inspect {file : a PDF}';

    protected $description = 'Prints the fields of a fillable PDF as JSON (docs/formats.md)';

    public function handle(): int
    {
        $path = (string) $this->argument('file');
        if (! is_file($path) || ! is_readable($path)) {
            fwrite(STDERR, "forms:inspect: {$path} cannot be read.\n");

            return self::FAILURE;
        }
        try {
            $fields = PdfFields::of(PdfLook::into($path));
        } catch (PdfRefused $refused) {
            fwrite(STDERR, "forms:inspect: {$path}: {$refused->getMessage()}\n");

            return self::FAILURE;
        }
        array_map(static fn (string $note) => fwrite(STDERR, "forms:inspect: {$note}\n"), $fields->notes);
        $this->output->writeln(
            (string) json_encode(
                array_map(static fn (PdfField $field) => $field->toArray(), $fields->all()),
                JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE,
            ),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }
}
