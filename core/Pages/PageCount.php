<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * How many pages a PDF has, as readers show it: its tree of pages, qpdf and poppler are asked, and a file in which one of
 * them sees a page that would be lost is not taken.
 */
final readonly class PageCount
{
    private function __construct(public int $number, public bool $isCertain)
    {
    }

    /**
     * @throws PdfRefused when readers show more pages than can be kept, or there are too many
     * @throws ToolFailed when the machine has no time
     */
    public static function of(string $path, PdfLook $look): self
    {
        $held = count($look->pages());
        $said = (int) (new NativeTool(20))->run(['qpdf', '--warning-exit-0', '--show-npages', $path]);
        try {
            $told = (new NativeTool(20))->run(['pdfinfo', $path]);
        } catch (ToolFailed $failed) {
            throw $failed->machineIsBusy ? $failed : PdfRefused::pagesUncertain();
        }
        $shown = preg_match('/^Pages:\s+(\d+)/m', $told, $m) === 1 ? (int) $m[1] : 0;
        if ($held < 1 || $held > PdfLook::MOST_PAGES) {
            throw PdfRefused::pages($held);
        }
        // What the tree says and what it holds may differ either way; whoever sees most must find all of it kept.
        if ($shown > $held) {
            throw PdfRefused::pagesUncertain();
        }

        return new self($held, $said === $held && $shown === $held);
    }
}
