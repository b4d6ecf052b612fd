<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Evidence\Signature;
use Unanimus\Evidence\Signatures;
use Unanimus\Evidence\TrustList;
use Unanimus\Pages\EditLost;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PageImage;
use Unanimus\Pages\PdfClean;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\SetPart;
use Unanimus\Pages\ToolFailed;

/**
 * Makes a clean PDF of whatever people bring: PDF, photographs and scans, Word texts. Hostile and broken files cost their
 * own call and are refused in words.
 */
final readonly class Converter
{
    /** The largest file that is taken, in bytes. */
    public const LARGEST = 50 * 1024 * 1024;

    private const MOST_PIXELS = 120_000_000;

    /**
     * @param TrustList|null $trust whose signatures are known; null: nobody's
     * @param ClosedOffice $office what turns texts into PDFs
     * @param HarmCheck|null $harm looks for harmful code first; null: nothing does
     */
    public function __construct(
        private Press $press,
        private ?TrustList $trust = null,
        private ClosedOffice $office = new ClosedOffice(),
        private ?HarmCheck $harm = null,
    ) {
    }

    /**
     * A file as PDF.
     *
     * @throws BringRefused when it cannot be taken
     */
    public function toPdf(string $path): Brought
    {
        $size = @filesize($path);
        if ($size === false || $size === 0) {
            throw new BringRefused('This file is empty. Save it again and upload it once more.');
        }
        if ($size > self::LARGEST) {
            throw new BringRefused('This file is larger than 50 MB. Upload it as several parts.');
        }
        $this->mustBeHarmless($path);
        $kind =
            BroughtKind::of($path) ??
            throw new BringRefused(
                'This is not a PDF, a picture (JPEG, PNG, TIFF, HEIC) or a Word document. Print it to PDF and upload that.',
            );
        try {
            return match ($kind) {
                BroughtKind::Pdf => $this->pdf($path, []),
                BroughtKind::Word => $this->word($path),
                BroughtKind::Heic => $this->heic($path),
                default => $this->picture($path),
            };
        } catch (PdfRefused $refused) {
            throw new BringRefused($refused->getMessage(), previous: $refused);
        } catch (ToolFailed $failed) {
            throw new BringRefused(
                $failed->machineIsBusy
                    ? 'The server is too busy to read this file right now. Nothing is wrong with it: upload it again in a few minutes.'
                    : 'This file is damaged or made to be hard to read. Ask for it to be sent again, or print it to PDF.',
                previous: $failed,
            );
        } catch (EditLost $lost) {
            throw new BringRefused(
                'This PDF could not be cleaned without losing something. Print it to PDF and upload that.',
                previous: $lost,
            );
        }
    }

    /** Refuses what holds harmful code, where that is looked for. @throws BringRefused when it does, or nobody can say */
    public function mustBeHarmless(string $path): void
    {
        try {
            $found = $this->harm?->look($path);
        } catch (HarmUnknown $unknown) {
            throw new BringRefused(
                'The virus check does not answer right now, so this file was not opened. Upload it again in a few minutes.',
                previous: $unknown,
            );
        }
        if ($found !== null) {
            throw new BringRefused(
                "The virus check found harmful code in this file ({$found}). It was not opened. Ask whoever sent it for a clean one.",
            );
        }
    }

    /** @param  list<string>  $notes */
    private function pdf(string $path, array $notes): Brought
    {
        $clean = PdfClean::of($path, $this->press);
        $signatures = $this->signatures($path);
        $scratch = new Scratch();
        $this->mustServe($clean->bytes === null ? $path : $scratch->put('clean.pdf', $clean->bytes), $clean->pages);
        $told = array_map(static fn (Signature $signature) => $signature->sentence(), $signatures);
        $original = $signatures === [] ? null : (string) file_get_contents($path);
        $original === null || ($told[] = 'The original file is kept for download.');

        return new Brought(
            $clean->bytes ?? (string) file_get_contents($path),
            $clean->pages,
            [...$notes, ...$told, ...$clean->done],
            $original,
            $signatures,
        );
    }

    /** @return list<Signature> those that can be read; what only looks like one is none */
    private function signatures(string $path): array
    {
        try {
            $found = Signatures::in((string) file_get_contents($path), $this->trust ?? TrustList::none());
        } catch (PdfRefused) {
            return [];
        }

        return array_values(array_filter($found, static fn (Signature $signature) => $signature->signer !== ''));
    }

    /** What is taken must work later too: its first and last page can be drawn, and it can be put together with others and stamped. */
    private function mustServe(string $path, int $pages): void
    {
        foreach (array_unique([1, $pages]) as $page) {
            PageImage::of($path, $page, 30);
        }
        $this->press->assemble([new SetPart('Trial', $path)], static fn (int $page) => $page === 1 ? 'trial' : null);
    }

    private function picture(string $path): Brought
    {
        $size = @getimagesize($path);
        if ($size !== false && $size[0] * $size[1] > self::MOST_PIXELS) {
            throw new BringRefused(
                "This picture has {$size[0]} × {$size[1]} points, more than can be handled. Save it smaller and upload it again.",
            );
        }
        $scratch = new Scratch();
        // Letter pages, upright or across as the picture is, turned as the camera says; the picture itself is not packed anew.
        $sheet = ['--pagesize', 'Letter', '--auto-orient', '--fit', 'into', '--rotation=ifvalid', '--border', '0.2in'];
        try {
            (new NativeTool(60))->run(['img2pdf', ...$sheet, '-o', $scratch->path('picture.pdf'), $path]);
        } catch (ToolFailed $failed) {
            if ($failed->machineIsBusy) {
                throw $failed;
            }
            // See-through parts, or more than eight bits a color: what can be made plain is.
            (new NativeTool(60))->run(['img2pdf', ...$sheet, '-o', $scratch->path('picture.pdf'), self::opaque($path, $scratch)]);
        }

        return $this->pdf($scratch->path('picture.pdf'), []);
    }

    /** A picture with see-through parts, on white. */
    private static function opaque(string $path, Scratch $scratch): string
    {
        $picture = @imagecreatefromstring((string) file_get_contents($path));
        if ($picture === false && in_array(BroughtKind::of($path), [BroughtKind::Tiff], true)) {
            throw new BringRefused(
                'This TIFF picture has more colors, or is packed in a way, than can be handled. Save it as JPEG or PDF and upload that.',
            );
        }
        if ($picture === false || imagesx($picture) * imagesy($picture) > 30_000_000) {
            throw new BringRefused('This picture is damaged or too large. Save it as JPEG and upload that.');
        }
        $page = imagecreatetruecolor(imagesx($picture), imagesy($picture));
        imagefill($page, 0, 0, (int) imagecolorallocate($page, 255, 255, 255));
        imagecopy($page, $picture, 0, 0, 0, 0, imagesx($picture), imagesy($picture));
        imagepng($page, $scratch->path('opaque.png'));

        return $scratch->path('opaque.png');
    }

    private function heic(string $path): Brought
    {
        $scratch = new Scratch();
        (new NativeTool(60, '2G'))->run(['heif-convert', '-q', '90', $path, $scratch->path('photo.jpg')]);
        foreach (['photo.jpg', 'photo-1.jpg'] as $name) {
            if (is_file($scratch->path($name))) {
                return $this->picture($scratch->path($name));
            }
        }
        throw new BringRefused('This photo could not be read. Save it as JPEG and upload that.');
    }

    private function word(string $path): Brought
    {
        if (! ClosedOffice::isPossible()) {
            throw new BringRefused(
                'Word documents cannot be converted on this server, because it cannot keep them apart from everything else. Save it as '.
                    'PDF and upload that.',
            );
        }
        $bytes = $this->office->convert($path, 'text.doc', 'pdf:writer_pdf_Export', 'text.pdf');
        if ($bytes === null) {
            throw new BringRefused(
                'This Word document could not be converted: it is damaged, or too large. Open it, save it as PDF and upload that.',
            );
        }
        $scratch = new Scratch();

        return $this->pdf($scratch->put('text.pdf', $bytes), ['It was converted from a Word document. Check its pages.']);
    }
}
