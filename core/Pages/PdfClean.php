<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Makes a PDF from outside safe to keep: scripts, actions that start or send something, attached files, links to other
 * programs and moving parts are taken out, fields become a part of the page, a broken table of contents is mended. What was
 * done is said, and what was written is looked through again before it is given out.
 */
final class PdfClean
{
    /** Bytes at the end in which the end of a PDF is looked for. */
    private const TAIL = 2048;

    /**
     * A PDF as it may be kept and shown.
     *
     * @throws PdfRefused when it is none, cut off, broken beyond mending, locked, or of a size that is not taken
     * @throws ToolFailed when its fields cannot be drawn
     */
    public static function of(string $path, Press $press): CleanedPdf
    {
        $mended = self::mend($path);
        $look = PdfLook::into($path);
        $pages = PageCount::of($path, $look);
        $fields = PdfFields::of($look)->all();
        self::refuseWaiting($look, $fields, count($look->pages()));
        $scratch = new Scratch();
        $notes = [];
        $from = $path;
        if ($fields !== []) {
            // A value without a picture of its own would be lost with its field: it is drawn first.
            $from = $scratch->put('flat.pdf', FieldFill::flat($path, $press));
            $notes[] =
                count($fields) === 1
                    ? 'Its one field became a part of the page.'
                    : 'Its '.count($fields).' fields became a part of the page.';
        }
        // The flattened copy has lost with its fields what hung on them: both are asked what there was.
        $active = ActiveContent::in($look);
        $look->isLocked() && ($notes[] = 'Its lock against printing or changing was taken off.');
        $mended && ($notes[] = 'It was damaged and has been repaired. Check its pages.');
        ! $mended && ! $pages->isCertain && ($notes[] = 'Its page count was wrong and has been corrected. Check its pages.');
        $notes = array_values(array_unique([...$notes, ...$active->notes()]));
        if ($notes === []) {
            return new CleanedPdf(null, [], $pages->number);
        }

        return new CleanedPdf(self::rebuilt($from, $pages->number), $notes, $pages->number);
    }

    /** Whether it is damaged in a way that can be mended. @throws PdfRefused when it is cut off or locked */
    private static function mend(string $path): bool
    {
        try {
            (new NativeTool(20))->run(['qpdf', '--show-npages', $path]);

            return false;
        } catch (ToolFailed $failed) {
            if ($failed->machineIsBusy) {
                throw $failed;
            }
            if (preg_match('/unsupported encryption (filter|method)|encryption filter/i', $failed->getMessage()) === 1) {
                throw PdfRefused::lockedForOthers();
            }
            if (str_contains($failed->getMessage(), 'password')) {
                throw PdfRefused::password();
            }
        }
        $size = (int) filesize($path);
        if (! str_contains((string) file_get_contents($path, false, null, 0, 1024), '%PDF-')) {
            throw PdfRefused::noPdf();
        }
        $tail = (string) file_get_contents($path, false, null, max(0, $size - self::TAIL));
        if (str_contains($tail, '%%EOF')) {
            return true;
        }
        // Whatever a mail server or a web page put behind the end is no part of it; objects behind the last end are.
        $whole = (string) file_get_contents($path);
        $end = strrpos($whole, '%%EOF');
        if ($end === false || preg_match('/\d+\s+\d+\s+obj\b|\bendobj\b|\bendstream\b|\bxref\b/', $whole, offset: $end) === 1) {
            // Without its end a PDF may have lost pages, however many are left to read.
            throw PdfRefused::cutOff();
        }

        return true;
    }

    /**
     * A form that only some programs can build shows one page that says so, and nothing else.
     *
     * @param list<PdfField> $fields
     */
    private static function refuseWaiting(PdfLook $look, array $fields, int $pages): void
    {
        [, $catalog] = $look->catalog();
        $form = $look->resolve($catalog->{'/AcroForm'} ?? null);
        if (! ($form instanceof \stdClass) || ! isset($form->{'/XFA'})) {
            return;
        }
        $shown = array_filter(
            $fields,
            static fn (PdfField $field) => array_filter($field->widgets, static fn (PdfWidget $widget) => $widget->place !== null) !== [],
        );
        if ($look->resolve($catalog->{'/NeedsRendering'} ?? false) === true || ($shown === [] && $pages === 1)) {
            throw PdfRefused::onlyInItsProgram();
        }
    }

    /** The pages alone, in a file of their own: whatever hung on the old one stays behind. */
    private static function rebuilt(string $path, int $pages): string
    {
        $scratch = new Scratch();
        try {
            $edit = PdfEdit::of($path);
            $active = ActiveContent::in($edit->look);
            foreach ($active->changed as $name => $value) {
                $edit->put($name, $value);
            }
            $scratch->put('flat.pdf', $edit->write(['--decrypt', '--flatten-annotations=all'], static fn () => null));
            (new NativeTool(60))->run([
                'qpdf',
                '--warning-exit-0',
                '--deterministic-id',
                '--empty',
                '--pages',
                $scratch->path('flat.pdf'),
                '1-z',
                '--',
                '--object-streams=generate',
                $scratch->path('pages.pdf'),
            ]);
        } catch (ToolFailed $failed) {
            throw $failed->machineIsBusy ? $failed : PdfRefused::damaged($failed);
        }
        $written = PdfLook::into($scratch->path('pages.pdf'));
        if (count($written->pages()) !== $pages) {
            throw PdfRefused::pagesUncertain();
        }
        if (! ActiveContent::in($written)->isNone()) {
            throw PdfRefused::notSafe();
        }

        return $scratch->get('pages.pdf');
    }
}
