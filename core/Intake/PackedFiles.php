<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\ToolFailed;

/**
 * The files of a ZIP that somebody packed to send them together, or of the winmail.dat that a mail program makes of them. Texts and
 * tables of an office, which are ZIPs as well, hold none.
 */
final class PackedFiles
{
    /**
     * Files that are looked at, bytes of one and of all, which are held beside the letter they came in. What is left out stays in the
     * ZIP, which is kept as it came.
     */
    private const MOST = 300;

    private const LARGEST = 40_000_000;

    private const ALL = 40_000_000;

    /** What a program put there besides, and what is itself packed. */
    private const LEFT_OUT = '~(?:^|/)(?:__MACOSX/|\.(?![./])|thumbs\.db$|desktop\.ini$)|'.
        '\.(?:zip|rar|7z|gz|tgz|jar|exe|msi|js|vbs|bat|cmd|scr|lnk)$~i';

    /**
     * Unpacks what came along with a letter.
     *
     * @param string $type as the letter says, in small letters
     * @param string $name of what they are packed in
     * @return iterable<array{string, string}> name without its folder, and bytes; none where nothing can be unpacked
     */
    public static function of(string $bytes, string $type, string $name): iterable
    {
        if ($type === 'application/ms-tnef' || preg_match('/^winmail.*\.dat$/i', $name) === 1) {
            return self::ofWinmail($bytes);
        }

        return str_starts_with($bytes, "PK\x03\x04") ? self::ofZip($bytes) : [];
    }

    /** Whether a ZIP holds a paper. */
    public static function hasPaper(string $path): bool
    {
        if (file_get_contents($path, false, null, 0, 4) !== "PK\x03\x04") {
            return false;
        }
        foreach (self::ofZip((string) file_get_contents($path)) as [$name, $bytes]) {
            if (MailPaper::is($bytes, '', $name, false)) {
                return true;
            }
        }

        return false;
    }

    /** Whether a ZIP unpacks to more than is taken out of it. */
    public static function isTooLarge(string $path): bool
    {
        $zip = new \ZipArchive();
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            return false;
        }
        $sum = 0;
        for ($index = 0; $index < $zip->numFiles; $index++) {
            $sum += (int) ($zip->statIndex($index)['size'] ?? 0);
        }
        $isMore = $sum > self::ALL || $zip->numFiles > self::MOST;
        $zip->close();

        return $isMore;
    }

    /** @return list<array{string, string}> */
    private static function ofWinmail(string $bytes): array
    {
        $scratch = new Scratch();
        mkdir($scratch->path('out'));
        try {
            (new NativeTool(20))->run(
                ['tnef', '--number-backups', '--overwrite', '-C', $scratch->path('out'), '-f', $scratch->put('winmail.dat', $bytes)],
            );
        } catch (ToolFailed) {
            return [];
        }
        $files = array_filter(glob($scratch->path('out').'/*') ?: [], is_file(...));

        return array_map(static fn (string $path) => [basename($path), (string) file_get_contents($path)], array_values($files));
    }

    /** @return \Generator<int, array{string, string}> each unpacked as it is asked for */
    private static function ofZip(string $bytes): \Generator
    {
        $scratch = new Scratch();
        $zip = new \ZipArchive();
        if ($zip->open($scratch->put('packed.zip', $bytes), \ZipArchive::RDONLY) !== true) {
            return;
        }
        $isOffice = $zip->locateName('[Content_Types].xml') !== false || $zip->locateName('mimetype') !== false ||
            $zip->locateName('META-INF/MANIFEST.MF') !== false || $zip->locateName('Index/Document.iwa') !== false;
        $sum = 0;
        for ($index = 0; ! $isOffice && $index < min($zip->numFiles, self::MOST); $index++) {
            $one = $zip->statIndex($index);
            $name = $one === false ? '' : $one['name'];
            $size = $one === false ? 0 : $one['size'];
            if ($size < 1 || $size > self::LARGEST || $sum + $size > self::ALL || preg_match(self::LEFT_OUT, $name) === 1) {
                continue;
            }
            $sum += $size;
            $read = @$zip->getFromIndex($index);
            if (is_string($read) && strlen($read) === $size) {
                yield [basename(strtr($name, '\\', '/')), $read];
            }
        }
        $zip->close();
    }
}
