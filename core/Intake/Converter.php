<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PageImage;
use Unanimus\Pages\PdfClean;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;
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

    private const MOST_UNPACKED = 300 * 1024 * 1024;

    public function __construct(private Press $press)
    {
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
            throw new BringRefused('This file is empty. Save it again and bring it in once more.');
        }
        if ($size > self::LARGEST) {
            throw new BringRefused('This file is larger than 50 MB. Bring it in as several parts.');
        }
        $kind = BroughtKind::of($path) ?? throw new BringRefused('This is no PDF, picture (JPEG, PNG, TIFF, HEIC) or Word text. Print it to PDF and bring that in.');
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
            throw new BringRefused('This file is damaged or made to be hard to read. Ask for it to be sent again, or print it to PDF.', previous: $failed);
        }
    }

    /** @param  list<string>  $notes */
    private function pdf(string $path, array $notes): Brought
    {
        [$bytes, $done, $pages] = PdfClean::of($path, $this->press);
        $scratch = new Scratch;
        // A page that cannot be drawn cannot be read, sent or signed.
        PageImage::of($bytes === null ? $path : $scratch->put('clean.pdf', $bytes), 1, 30);

        return new Brought($bytes ?? (string) file_get_contents($path), $pages, [...$notes, ...$done]);
    }

    private function picture(string $path): Brought
    {
        $size = @getimagesize($path);
        if ($size !== false && $size[0] * $size[1] > self::MOST_PIXELS) {
            throw new BringRefused("This picture has {$size[0]} × {$size[1]} points, more than can be handled. Save it smaller and bring it in again.");
        }
        $scratch = new Scratch;
        // Letter pages, upright or across as the picture is, turned as the camera says; the picture itself is not packed anew.
        $sheet = ['--pagesize', 'Letter', '--auto-orient', '--fit', 'into', '--rotation=ifvalid', '--border', '0.2in'];
        try {
            (new NativeTool(60))->run(['img2pdf', ...$sheet, '-o', $scratch->path('picture.pdf'), $path]);
        } catch (ToolFailed $failed) {
            if (! str_contains($failed->getMessage(), 'alpha')) {
                throw $failed;
            }
            (new NativeTool(60))->run(['img2pdf', ...$sheet, '-o', $scratch->path('picture.pdf'), self::opaque($path, $scratch)]);
        }

        return $this->pdf($scratch->path('picture.pdf'), []);
    }

    /** A picture with see-through parts, on white. */
    private static function opaque(string $path, Scratch $scratch): string
    {
        $picture = @imagecreatefromstring((string) file_get_contents($path));
        if ($picture === false || imagesx($picture) * imagesy($picture) > 30_000_000) {
            throw new BringRefused('This picture is damaged or too large. Save it as JPEG and bring that in.');
        }
        $page = imagecreatetruecolor(imagesx($picture), imagesy($picture));
        imagefill($page, 0, 0, (int) imagecolorallocate($page, 255, 255, 255));
        imagecopy($page, $picture, 0, 0, 0, 0, imagesx($picture), imagesy($picture));
        imagepng($page, $scratch->path('opaque.png'));

        return $scratch->path('opaque.png');
    }

    private function heic(string $path): Brought
    {
        $scratch = new Scratch;
        (new NativeTool(60, '2G'))->run(['heif-convert', '-q', '90', $path, $scratch->path('photo.jpg')]);
        foreach (['photo.jpg', 'photo-1.jpg'] as $name) {
            if (is_file($scratch->path($name))) {
                return $this->picture($scratch->path($name));
            }
        }
        throw new BringRefused('This photograph could not be read. Save it as JPEG and bring that in.');
    }

    private function word(string $path): Brought
    {
        self::refuseBomb($path);
        $scratch = new Scratch;
        copy($path, $scratch->path('text.doc'));
        mkdir($scratch->path('profile'));
        $command = ['soffice', '--headless', '--norestore', '--nolockcheck', '--nodefault', '-env:UserInstallation=file://'.$scratch->path('profile'), '--convert-to', 'pdf:writer_pdf_Export', '--outdir', $scratch->path('out'), $scratch->path('text.doc')];
        // What it names on the network is not fetched.
        (new NativeTool(90, '0', ['HOME' => $scratch->path('profile')]))->run([...(self::canBeCutOff() ? ['unshare', '-rn'] : []), ...$command]);
        if (! is_file($scratch->path('out/text.pdf'))) {
            throw new BringRefused('This Word text could not be read. Open it, save it as PDF and bring that in.');
        }

        return $this->pdf($scratch->path('out/text.pdf'), ['It was made from a Word text; look through its pages.']);
    }

    private static function refuseBomb(string $path): void
    {
        $zip = new \ZipArchive;
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            return;
        }
        $sum = 0;
        for ($index = 0; $index < $zip->numFiles && $index < 10_000; $index++) {
            $sum += (int) ($zip->statIndex($index)['size'] ?? 0);
        }
        $zip->close();
        if ($sum > self::MOST_UNPACKED) {
            throw new BringRefused('This Word text unpacks to more than can be handled. Save it as PDF and bring that in.');
        }
    }

    private static function canBeCutOff(): bool
    {
        static $can = null;
        try {
            $can ??= (new NativeTool(5))->run(['unshare', '-rn', 'true']) === '';
        } catch (ToolFailed) {
            $can = false;
        }

        return $can;
    }
}
