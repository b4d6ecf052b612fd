<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\ToolFailed;

/**
 * Photos of pages, taken with a telephone, as papers: several shots become one PDF.
 */
final readonly class Photos
{
    public function __construct(private Converter $converter)
    {
    }

    /**
     * A file as PDF; of a photo of a page, the page cut out, laid flat and without its shadow. The photo itself goes along.
     *
     * @throws BringRefused when it cannot be taken
     */
    public function photo(string $path): Brought
    {
        return BroughtKind::of($path)?->isPhoto() === true ? $this->photos([$path]) : $this->converter->toPdf($path);
    }

    /**
     * Several photos as the pages of one PDF, in their order.
     *
     * @param list<string> $paths
     *
     * @throws BringRefused when one is no picture, or cannot be taken
     */
    public function photos(array $paths): Brought
    {
        $scratch = new Scratch();
        $shown = $came = [];
        $isCut = false;
        foreach ($paths as $index => $path) {
            if (BroughtKind::of($path)?->isPhoto() !== true) {
                throw new BringRefused('Several files at once can only be photos. Send anything else one by one.');
            }
            $untouched = $scratch->put("{$index}-came.pdf", $this->converter->toPdf($path)->pdf);
            $flat = PhotoPage::flatten($this->jpeg($path, $scratch, $index));
            $isCut = $isCut || $flat !== null;
            $came[] = $untouched;
            $shown[] = $flat === null
                ? $untouched
                : $scratch->put("{$index}-flat.pdf", $this->converter->toPdf($scratch->put("{$index}-flat.jpg", $flat))->pdf);
        }
        $pdf = $this->converter->toPdf($this->joined($shown, $scratch, 'shown.pdf'));

        return $isCut
            ? new Brought(
                $pdf->pdf,
                $pdf->pages,
                [...$pdf->notes, 'The page was cut out of the photo. The photo itself is kept for download.'],
                (string) file_get_contents($this->joined($came, $scratch, 'came.pdf')),
            )
            : $pdf;
    }

    /** @param  list<string>  $pdfs */
    private function joined(array $pdfs, Scratch $scratch, string $name): string
    {
        try {
            (new NativeTool(60))->run(['qpdf', '--warning-exit-0', '--empty', '--pages', ...$pdfs, '--', $scratch->path($name)]);
        } catch (ToolFailed $failed) {
            throw new BringRefused('These photos could not be put together. Send them one by one.', previous: $failed);
        }

        return $scratch->path($name);
    }

    /** A photo as its page can be looked for in: of HEIC, a JPEG. */
    private function jpeg(string $path, Scratch $scratch, int $index): string
    {
        if (BroughtKind::of($path) !== BroughtKind::Heic) {
            return $path;
        }
        try {
            (new NativeTool(60, '2G'))->run(['heif-convert', '-q', '90', $path, $scratch->path("{$index}.jpg")]);
        } catch (ToolFailed) {
            return $path;
        }

        return is_file($scratch->path("{$index}.jpg")) ? $scratch->path("{$index}.jpg") : $scratch->path("{$index}-1.jpg");
    }
}
