<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/** An address as a picture that a telephone reads. */
final class QrCode
{
    /**
     * As SVG, for a page on the screen.
     *
     * @param int $quiet modules left blank around it
     *
     * @throws ToolFailed when it cannot be made
     */
    public static function svg(string $text, int $quiet = 2): string
    {
        return (new NativeTool(10))->run(
            ['qrencode', '-t', 'SVG', '-l', 'M', '-m', (string) $quiet, '-o', '-', '-r', '/dev/stdin'],
            input: $text,
        );
    }

    /**
     * Its dark modules as one path, for a drawing.
     *
     * @param float $size width and height in points
     *
     * @throws ToolFailed when it cannot be made
     */
    public static function path(string $text, float $x, float $y, float $size): string
    {
        $lines = array_values(
            array_filter(
                explode("\n", (new NativeTool(10))->run(
                    ['qrencode', '-t', 'ASCII', '-l', 'M', '-m', '0', '-o', '-', '-r', '/dev/stdin'],
                    input: $text,
                )),
                static fn (string $line) => trim($line) !== '',
            ),
        );
        $module = $size / max(1, count($lines));
        $path = '';
        foreach ($lines as $row => $line) {
            // Each module is two characters wide.
            for ($column = 0; $column < count($lines); $column++) {
                ($line[2 * $column] ?? ' ') === '#' &&
                    ($path .= sprintf('M%.3f %.3fh%3$.3fv%3$.3fh-%3$.3fz', $x + $column * $module, $y + $row * $module, $module));
            }
        }

        return "<path d=\"{$path}\" fill=\"#14261f\"/>";
    }
}
