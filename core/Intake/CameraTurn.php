<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\ToolFailed;

/**
 * Photos turned as the camera was held.
 */
final class CameraTurn
{
    /** How high a small copy is, in dots. */
    private const SMALL = 148;

    /**
     * A small copy as WebP.
     *
     * @param string $path a JPEG or PNG
     *
     * @throws ToolFailed when it cannot be read
     */
    public static function small(string $path): string
    {
        $scratch = new Scratch();
        $turn = self::of($path);
        // Of one that lies on its side the height is yet its width.
        $size = in_array($turn, [6, 8], true) ? [(string) self::SMALL, '0'] : ['0', (string) self::SMALL];
        (new NativeTool(20))->run(['cwebp', '-quiet', '-q', '80', '-resize', ...$size, $path, '-o', $scratch->path('small.webp')]);
        $read = $turn === 1 ? false : @imagecreatefromwebp($scratch->path('small.webp'));
        if ($read === false) {
            return $scratch->get('small.webp');
        }
        ob_start();
        imagewebp(self::upright($read, $turn), null, 80);

        return (string) ob_get_clean();
    }

    /** The picture turned by what `of` says. */
    public static function upright(\GdImage $picture, int $orientation): \GdImage
    {
        imageistruecolor($picture) || imagepalettetotruecolor($picture);
        $turn = [3 => 180, 6 => 270, 8 => 90][$orientation] ?? 0;
        $turned = $turn === 0 ? $picture : imagerotate($picture, $turn, 0);

        return $turned === false ? $picture : $turned;
    }

    /** How the camera was held (Exif 2.32, 4.6.4, tag 0x0112); 1 where it does not say. */
    public static function of(string $path): int
    {
        $head = (string) file_get_contents($path, false, null, 0, 65_536);
        $at = strpos($head, "Exif\0\0");
        if (! str_starts_with($head, "\xFF\xD8") || $at === false) {
            return 1;
        }
        $tiff = substr($head, $at + 6);
        $little = str_starts_with($tiff, 'II');
        $short = static fn (int $from): int => (int) (unpack($little ? 'v' : 'n', substr($tiff, $from, 2)) ?: [1 => 0])[1];
        $first = (int) (unpack($little ? 'V' : 'N', substr($tiff, 4, 4)) ?: [1 => 0])[1];
        if (strlen($tiff) < $first + 2) {
            return 1;
        }
        for ($entry = 0, $many = min(100, $short($first)); $entry < $many; $entry++) {
            $from = $first + 2 + $entry * 12;
            if (strlen($tiff) >= $from + 12 && $short($from) === 0x0112) {
                return $short($from + 8);
            }
        }

        return 1;
    }
}
