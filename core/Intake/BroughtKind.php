<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * What a file from outside is, told by its content and never by its name.
 */
enum BroughtKind: string
{
    /** How the files that are taken usually end, as a browser asks for them. */
    public const ENDINGS = '.pdf,.jpg,.jpeg,.png,.tif,.tiff,.heic,.heif,.doc,.docx,.odt,.rtf';

    case Pdf = 'pdf';
    case Jpeg = 'jpeg';
    case Png = 'png';
    case Tiff = 'tiff';
    case Heic = 'heic';
    case Word = 'word';

    /** Whether making a PDF of it takes so long that nobody waits for it in front of the page. */
    public function isSlow(): bool
    {
        return $this === self::Word;
    }

    /** Whether it is a picture, as a camera makes them. */
    public function isPhoto(): bool
    {
        return $this === self::Jpeg || $this === self::Png || $this === self::Heic;
    }

    /** What the first bytes say; null when it is none that is taken. */
    public static function of(string $path): ?self
    {
        $head = (string) file_get_contents($path, false, null, 0, 1024);

        return match (true) {
            str_contains($head, '%PDF-') => self::Pdf,
            str_starts_with($head, "\xFF\xD8\xFF") => self::Jpeg,
            str_starts_with($head, "\x89PNG\r\n\x1A\n") => self::Png,
            str_starts_with($head, "II*\0"), str_starts_with($head, "MM\0*") => self::Tiff,
            preg_match('/^.{4}ftyp(heic|heix|heif|hevc|mif1|msf1|avif)/s', $head) === 1 => self::Heic,
            str_starts_with($head, "PK\x03\x04"),
            str_starts_with($head, "\xD0\xCF\x11\xE0\xA1\xB1\x1A\xE1"),
            str_starts_with($head, '{\rtf') => self::isWord($path, $head) ? self::Word : null,
            default => null,
        };
    }

    private static function isWord(string $path, string $head): bool
    {
        if (! str_starts_with($head, 'PK')) {
            return true;
        }
        $zip = new \ZipArchive();
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            return false;
        }
        $is =
            $zip->locateName('word/document.xml') !== false ||
            ($zip->locateName('content.xml') !== false &&
                str_starts_with((string) $zip->getFromName('mimetype', 100), 'application/vnd.oasis.opendocument.text'));
        $zip->close();

        return $is;
    }
}
