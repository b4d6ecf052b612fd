<?php

declare(strict_types=1);

namespace App\Signing\Console;

use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\ToolFailed;
use Unanimus\Signing\MarkFinder;
use Unanimus\Signing\ProposedMark;
use Unanimus\Signing\Seat;

/** Prints where a PDF seems to be meant to be signed, initialled and dated, and by whom. */
final class ProposeMarks extends Command
{
    protected $signature = 'marks:propose {file : a PDF} {--seats= : who may sign, such as buyer.1,buyer.2,seller.1,agent}';

    protected $description = 'Prints proposed places to sign as JSON (docs/formats.md)';

    public function handle(): int
    {
        $path = (string) $this->argument('file');
        if (! is_file($path) || ! is_readable($path)) {
            return $this->fault("{$path} cannot be read.");
        }
        $given = array_values(array_filter(array_map(trim(...), explode(',', (string) $this->option('seats')))));
        $seats = [];
        foreach ($given as $name) {
            try {
                $seats[$name] = Seat::of(str_contains($name, '.') ? $name : "{$name}.1");
            } catch (\InvalidArgumentException) {
                return $this->fault("“{$name}” is no seat. Write seats such as buyer.1, seller.2, agent.");
            }
        }
        try {
            $sizes = PdfLook::into($path)->pages();
            $found = MarkFinder::in($path, array_values($seats), scans: true);
        } catch (PdfRefused|ToolFailed $refused) {
            return $this->fault("{$path}: {$refused->getMessage()}");
        }
        $names = array_flip(array_map(strval(...), $seats));
        $this->output->writeln(
            (string) json_encode(
                array_map(static function (ProposedMark $mark) use ($sizes, $names): array {
                    $told = $mark->toArray($sizes[$mark->page - 1][1]);

                    // A seat is called as it was asked for.
                    return [...$told, 'seat' => $told['seat'] === null ? null : $names[$told['seat']] ?? $told['seat']];
                }, $found),
                JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            ),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }

    private function fault(string $told): int
    {
        fwrite(STDERR, "marks:propose: {$told}\n");

        return self::FAILURE;
    }
}
