<?php

declare(strict_types=1);

namespace App\Intake\Console;

use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;
use Unanimus\Forms\Library;
use Unanimus\Intake\ProposedPart;
use Unanimus\Intake\StackReader;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\ToolFailed;

/** Prints what papers seem to lie in a stack, which of its pages are to be turned, and which are blank. */
final class ProposeStack extends Command
{
    protected $signature = 'stack:propose {file : a PDF}';

    protected $description = 'Prints how a stack seems to be cut, turned and cleared as JSON (docs/formats.md)';

    public function handle(): int
    {
        // The forms that ship with it: no database is asked.
        $library = new Library(base_path('library'));
        $path = (string) $this->argument('file');
        if (! is_file($path) || ! is_readable($path)) {
            return $this->fault("{$path} cannot be read.");
        }
        try {
            // What is no PDF, or locked, is said as at every gate.
            PdfLook::into($path, gate: false);
            $read = (new StackReader($library))->read($path);
        } catch (PdfRefused|ToolFailed $refused) {
            return $this->fault("{$path}: {$refused->getMessage()}");
        }
        $this->output->writeln(
            (string) json_encode(
                [
                    'parts' => array_map(static fn (ProposedPart $part) => $part->toArray(), $read['parts']),
                    'turns' => (object) $read['turns'],
                    'blanks' => $read['blanks'],
                ],
                JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            ),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }

    private function fault(string $told): int
    {
        fwrite(STDERR, "stack:propose: {$told}\n");

        return self::FAILURE;
    }
}
