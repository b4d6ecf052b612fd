<?php

declare(strict_types=1);

namespace App\Forms\Console;

use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;
use Unanimus\Forms\Proposal;
use Unanimus\Forms\ProposedBlank;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\ToolFailed;

/** Prints the blanks a flat PDF seems to have. */
final class ProposeBlanks extends Command
{
    protected $signature = 'forms:propose {file : a PDF}';

    protected $description = 'Prints proposed blanks of a flat PDF as JSON (docs/formats.md)';

    public function handle(): int
    {
        $path = (string) $this->argument('file');
        if (! is_file($path) || ! is_readable($path)) {
            fwrite(STDERR, "forms:propose: {$path} cannot be read.\n");

            return self::FAILURE;
        }
        try {
            $sizes = PdfLook::into($path)->pages();
            $proposed = Proposal::of($path);
        } catch (PdfRefused|ToolFailed $refused) {
            fwrite(STDERR, "forms:propose: {$path}: {$refused->getMessage()}\n");

            return self::FAILURE;
        }
        $proposed === [] && fwrite(STDERR, "forms:propose: no place to fill was found; a scan has no lines to go by.\n");
        $this->output->writeln(
            (string) json_encode(
                array_map(static fn (ProposedBlank $blank) => $blank->toArray($sizes[$blank->page - 1][1]), $proposed),
                JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            ),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }
}
