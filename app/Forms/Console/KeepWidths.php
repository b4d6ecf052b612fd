<?php

declare(strict_types=1);

namespace App\Forms\Console;

use Illuminate\Console\Command;
use Unanimus\Pages\Typeface;

/** Keeps how wide the face of the entries sets its characters; what it makes is committed. */
final class KeepWidths extends Command
{
    protected $signature = 'fonts:widths';

    protected $description = 'Measures the face that entries print in, after it was changed';

    public function handle(): int
    {
        $widths = [];
        foreach (Typeface::KEPT as [$first, $last]) {
            foreach (array_map(mb_chr(...), range($first, $last)) as $character) {
                preg_match('/^[\p{L}\p{N}\p{P}\p{S}\p{Zs}]$/u', $character) === 1 && $widths[] = var_export($character, true).' => '.Typeface::measure($character);
            }
        }
        $lines = implode('', array_map(static fn (array $some) => '    '.implode(', ', $some).",\n", array_chunk($widths, 12)));
        file_put_contents(base_path('core/Pages/widths.php'), "<?php\n\ndeclare(strict_types=1);\n\n// Thousandths of an em in Noto Sans. Made by `./unanimus artisan fonts:widths`.\nreturn [\n{$lines}];\n");

        return self::SUCCESS;
    }
}
