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
        $lines = '';
        foreach (Typeface::KEPT as [$first, $last]) {
            for ($code = $first; $code <= $last; $code++) {
                $character = mb_chr($code);
                $lines .= preg_match('/^[\p{L}\p{N}\p{P}\p{S}\p{Zs}]$/u', $character) === 1 ? '    '.var_export($character, true).' => '.Typeface::measure($character).",\n" : '';
            }
        }
        file_put_contents(base_path('core/Pages/widths.php'), "<?php\n\ndeclare(strict_types=1);\n\n// Thousandths of an em in Noto Sans. Made by `./unanimus artisan fonts:widths`.\nreturn [\n{$lines}];\n");

        return self::SUCCESS;
    }
}
