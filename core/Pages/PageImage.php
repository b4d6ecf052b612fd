<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A page of a PDF as a picture for the screen.
 */
final class PageImage
{
    /** Dots an inch at which small print is read on a screen. */
    public const RESOLUTION = 130;

    /**
     * The page as WebP.
     *
     * @param int $page from 1
     * @param int $resolution dots an inch
     *
     * @throws ToolFailed when the page cannot be drawn
     */
    public static function of(string $pdf, int $page, int $resolution = self::RESOLUTION): string
    {
        $scratch = new Scratch();
        (new NativeTool(30))->run([
            'pdftocairo',
            '-cropbox',
            '-tiff',
            '-tiffcompression',
            'none',
            '-antialias',
            'gray',
            '-r',
            (string) $resolution,
            '-f',
            (string) $page,
            '-l',
            (string) $page,
            '-singlefile',
            $pdf,
            $scratch->path('page'),
        ]);
        (new NativeTool(30))->run([
            'cwebp',
            '-quiet',
            '-lossless',
            '-z',
            '1',
            $scratch->path('page.tif'),
            '-o',
            $scratch->path('page.webp'),
        ]);

        return $scratch->get('page.webp');
    }
}
