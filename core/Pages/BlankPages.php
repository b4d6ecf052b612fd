<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Finds pages with nothing on them, as the backs of scanned sheets. A page counts as blank only when hardly a point on it is
 * darker than its paper: rather one too many is kept than one with a faint word left out.
 */
final class BlankPages
{
    private const POINTS_PER_INCH = 60;

    /** How much darker than its paper a point is, of 255, when something stands there. */
    private const DARKER = 18;

    /** So many points may be a scanner's dust. */
    private const DUST = 5;

    /**
     * The blank pages of a PDF, from 1.
     *
     * @return list<int>
     *
     * @throws ToolFailed when the pages cannot be drawn
     */
    public static function of(string $pdf): array
    {
        $scratch = new Scratch();
        (new NativeTool(120))->run(['pdftoppm', '-r', (string) self::POINTS_PER_INCH, '-gray', $pdf, $scratch->path('page')]);
        $pictures = glob($scratch->path('page-*.pgm')) ?: [];
        natsort($pictures);
        $blank = [];
        foreach (array_values($pictures) as $index => $picture) {
            self::isBlank((string) file_get_contents($picture)) && ($blank[] = $index + 1);
        }

        return $blank;
    }

    /** @param  string  $picture  a portable graymap, binary */
    private static function isBlank(string $picture): bool
    {
        if (preg_match('/^P5\s+(\d+)\s+(\d+)\s+(\d+)\s/', $picture, $m) !== 1) {
            return false;
        }
        $points = substr($picture, strlen($m[0]));
        $shades = count_chars($points, 1);
        arsort($shades);
        $paper = (int) array_key_first($shades);
        $written = 0;
        foreach ($shades as $shade => $count) {
            $shade < $paper - self::DARKER && ($written += $count);
        }

        return $written <= self::DUST;
    }
}
