<?php

declare(strict_types=1);

namespace App\Forms\Console;

use Illuminate\Console\Command;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\Typeface;

/** Keeps how wide the face of the entries sets its characters; what it makes is committed. */
final class KeepWidths extends Command
{
    protected $signature = 'fonts:widths';

    protected $description = 'Measures the face that entries print in, and takes out of it what page numbers need, after it was changed';

    public function handle(): int
    {
        $widths = [];
        foreach (Typeface::KEPT as [$first, $last]) {
            foreach (array_map(mb_chr(...), range($first, $last)) as $character) {
                preg_match('/^[\p{L}\p{N}\p{P}\p{S}\p{Zs}]$/u', $character) === 1 &&
                    ($widths[] = var_export($character, true).' => '.Typeface::measure($character));
            }
        }
        $lines = implode('', array_map(static fn (array $some) => '    '.implode(', ', $some).",\n", array_chunk($widths, 12)));
        $this->keepLineFont();
        file_put_contents(
            base_path('core/Pages/widths.php'),
            "<?php\n\ndeclare(strict_types=1);\n\n// Thousandths of an em in Noto Sans. Made by `./unanimus artisan ".
                "fonts:widths`.\nreturn [\n{$lines}];\n",
        );

        return self::SUCCESS;
    }

    /** The plain letters of the face as a font that can be put into a PDF by hand, taken from a PDF that has them. */
    private function keepLineFont(): void
    {
        $scratch = new Scratch();
        mkdir($scratch->path('cache'));
        $pdf = (new Press(base_path('library/fonts'), $scratch->path('cache')))->print([
            (new Drawing(1200, 792))->text(20, 90, 10, implode('', array_map(chr(...), range(0x20, 0x7E)))),
        ]);
        $objects = json_decode(
            (new NativeTool())->run([
                'qpdf',
                '--json=2',
                '--json-stream-data=inline',
                '--decode-level=none',
                $scratch->put('letters.pdf', $pdf),
            ]),
            true,
            512,
            JSON_THROW_ON_ERROR,
        )['qpdf'][1];
        $fonts = array_filter(
            array_column($objects, 'value'),
            static fn (mixed $one) => is_array($one) && ($one['/Type'] ?? '') === '/Font',
        );
        $font = reset($fonts) ?: throw new \UnexpectedValueException('The letters were printed without a font.');
        $about = $objects['obj:'.$font['/FontDescriptor']]['value'];
        $file = $objects['obj:'.$about['/FontFile2']]['stream'];
        $kept = [
            'name' => ltrim($about['/FontName'], '/'),
            'widths' => $font['/Widths'],
            'about' => array_intersect_key(
                $about,
                array_flip(['/Ascent', '/CapHeight', '/Descent', '/Flags', '/FontBBox', '/ItalicAngle', '/StemV']),
            ),
            'length' => $file['dict']['/Length1'],
            'file' => chunk_split($file['data'], 120, "\n"),
        ];
        file_put_contents(
            base_path('core/Pages/line-font.php'),
            "<?php\n\ndeclare(strict_types=1);\n\n// The letters from space to tilde of Noto Sans (SIL Open Font License). Made by ".
                "`./unanimus artisan fonts:widths`.\nreturn ".
                var_export($kept, true).
                ";\n",
        );
    }
}
