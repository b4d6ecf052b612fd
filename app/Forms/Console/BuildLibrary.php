<?php

declare(strict_types=1);

namespace App\Forms\Console;

use Illuminate\Console\Command;
use Unanimus\Forms\FormPrinter;

/** Prints the library's forms anew from their texts. Needs Chromium; what it makes is committed with the texts. */
final class BuildLibrary extends Command
{
    protected $signature = 'library:build {number?* : only these, as M-201}';

    protected $description = 'Prints the library\'s forms from their texts';

    public function handle(): int
    {
        $wanted = array_map(strtolower(...), (array) $this->argument('number'));
        foreach (glob(base_path('library/*/text.html')) ?: [] as $text) {
            $folder = dirname($text);
            if ($wanted === [] || in_array(basename($folder), $wanted, true)) {
                $made = FormPrinter::build($folder);
                $this->line(
                    sprintf(
                        '%-8s %d pages, %d blanks, %d marks',
                        strtoupper(basename($folder)),
                        $made['pages'],
                        $made['blanks'],
                        $made['marks'],
                    ),
                );
            }
        }

        return self::SUCCESS;
    }
}
