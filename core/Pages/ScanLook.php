<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Looks at a page that is but a picture: whether there is anything on it, which way up it lies, and what it says.
 */
final class ScanLook
{
    /** So coarse that dust, print shining through and the grain of a fax even out. */
    private const COARSE = 30;

    /** A point with ink is darker than this part of its paper. */
    private const INK = 0.82;

    /** Of each edge of the page, where scanners leave shadows and holes are punched. */
    private const EDGE = 0.06;

    /** So many coarse points with ink are dust still, of ten thousand. */
    private const DUST = 12;

    /** Dots an inch for reading. */
    private const FINE = 200;

    /** How sure the reader must be of which way up a page is. */
    private const SURE = 2.0;

    /** What is read of a page: down to here from its head, and from there to its foot. */
    private const HEAD = 0.4;

    private const FOOT = 0.8;

    /** How sure the reader must be of a word, of 100. */
    private const WORD = 45;

    /**
     * Whether there is nothing on a page, also with what shines through from its other side.
     *
     * @throws ToolFailed when the page cannot be drawn
     */
    public static function isBlank(string $pdf, int $page): bool
    {
        $picture = self::drawn($pdf, $page, self::COARSE);
        if (preg_match('/^P5\s+(\d+)\s+(\d+)\s+255\s/', $picture, $m) !== 1) {
            return false;
        }
        [$width, $height] = [(int) $m[1], (int) $m[2]];
        $dots = substr($picture, strlen($m[0]));
        [$left, $top] = [(int) ceil($width * self::EDGE), (int) ceil($height * self::EDGE)];
        $inner = '';
        for ($row = $top; $row < $height - $top; $row++) {
            $inner .= substr($dots, $row * $width + $left, $width - 2 * $left);
        }
        $shades = count_chars($inner, 1);
        arsort($shades);
        $limit = (int) (self::INK * (int) array_key_first($shades));
        $written = 0;
        foreach ($shades as $shade => $count) {
            $shade < $limit && ($written += $count);
        }

        return $written * 10_000 <= self::DUST * max(1, strlen($inner));
    }

    /**
     * Which way up it lies, and its words as they are read once it stands upright.
     *
     * @return array{int, list<Word>} degrees clockwise that make it upright, and its words
     *
     * @throws ToolFailed when the page cannot be drawn or read
     */
    public static function read(string $pdf, int $page): array
    {
        $scratch = new Scratch();
        $picture = $scratch->put('page.pgm', self::drawn($pdf, $page, self::FINE));
        [$turn, $sure] = self::orientation($picture);
        if ($sure >= self::SURE) {
            return [$turn, self::words(self::turned($pdf, $page, $turn, $scratch))[0]];
        }
        // Too little stands there to tell at a glance: both ways are read, and that which makes more sense holds.
        [$upright, $sense] = self::words($picture);
        [$over, $other] = self::words(self::turned($pdf, $page, 180, $scratch));

        return $other > $sense * 1.15 ? [180, $over] : [0, $upright];
    }

    private static function drawn(string $pdf, int $page, int $dots): string
    {
        $scratch = new Scratch();
        $number = (string) $page;
        (new NativeTool(60))->run([
            ...['pdftoppm', '-gray', '-cropbox', '-r', (string) $dots, '-f', $number, '-l', $number, '-singlefile'],
            ...[$pdf, $scratch->path('page')],
        ]);

        return $scratch->get('page.pgm');
    }

    /** @return array{int, float} degrees clockwise that make it upright, and how sure that is */
    private static function orientation(string $picture): array
    {
        try {
            $said = (new NativeTool(60, environment: ['OMP_THREAD_LIMIT' => '1']))->run(
                ['tesseract', $picture, '-', '--psm', '0', '-l', 'osd', '--dpi', (string) self::FINE],
            );
        } catch (ToolFailed) {
            return [0, 0.0];
        }
        $turn = preg_match('/^Rotate:\s*(\d+)/m', $said, $m) === 1 ? (int) $m[1] : 0;

        return [$turn, preg_match('/^Orientation confidence:\s*([\d.]+)/m', $said, $c) === 1 ? (float) $c[1] : 0.0];
    }

    private static function turned(string $pdf, int $page, int $turn, Scratch $scratch): string
    {
        if ($turn === 0) {
            return $scratch->path('page.pgm');
        }
        $one = $scratch->path("turned-{$turn}.pdf");
        (new NativeTool(60))->run(['qpdf', '--warning-exit-0', $pdf, '--pages', '.', (string) $page, '--', "--rotate=+{$turn}:1", $one]);

        return $scratch->put("turned-{$turn}.pgm", self::drawn($one, 1, self::FINE));
    }

    /**
     * A page without its middle, where nothing says what it belongs to: read in half the time.
     *
     * @return array{string, float} the picture, and how far what stands below its cut moved up, in dots
     */
    private static function edges(string $path): array
    {
        $picture = (string) file_get_contents($path);
        if (preg_match('/^P5\s+(\d+)\s+(\d+)\s+255\s/', $picture, $m) !== 1) {
            return [$path, 0.0];
        }
        [$width, $height] = [(int) $m[1], (int) $m[2]];
        $dots = substr($picture, strlen($m[0]));
        [$top, $foot] = [(int) ($height * self::HEAD), (int) ($height * self::FOOT)];
        $cut = substr($dots, 0, $top * $width).substr($dots, $foot * $width);
        file_put_contents("{$path}.cut.pgm", "P5\n{$width} ".($top + $height - $foot)."\n255\n{$cut}");

        return ["{$path}.cut.pgm", (float) ($foot - $top)];
    }

    /** @return array{list<Word>, float} in reading order, in points; and how much sense they make */
    private static function words(string $path): array
    {
        [$picture, $moved] = self::edges($path);
        $head = (string) file_get_contents($path, false, null, 0, 40);
        $cut = (float) (preg_match('/^P5\s+\d+\s+(\d+)/', $head, $m) === 1 ? $m[1] : 0) * self::HEAD;
        $table = (new NativeTool(120, environment: ['OMP_THREAD_LIMIT' => '1']))->run(
            ['tesseract', $picture, '-', '-l', 'eng', '--dpi', (string) self::FINE, '--psm', '3', 'tsv'],
        );
        $words = [];
        $sense = 0.0;
        $points = 72 / self::FINE;
        foreach (explode("\n", $table) as $line) {
            $cells = explode("\t", $line);
            $text = trim($cells[11] ?? '');
            if ($cells[0] !== '5' || (float) $cells[10] < self::WORD || preg_match('/[\p{L}\d]/u', $text) !== 1) {
                continue;
            }
            [$x, $y, $width, $height] = array_map(static fn (string $n) => (float) $n * $points, array_slice($cells, 6, 4));
            $words[] = new Word($text, $x, $y + ($y > $cut * $points ? $moved * $points : 0), $width, $height);
            $sense += mb_strlen($text) > 2 ? (float) $cells[10] - self::WORD : 0;
        }

        return [$words, $sense];
    }
}
