<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A page as dots of ink: drawn by a program, each dot either written on or not.
 */
final readonly class InkDots
{
    /** @param  string  $dots  row by row, a character for each: "x" is ink */
    private function __construct(public int $width, public int $height, public string $dots)
    {
    }

    /**
     * @param int $page from 1
     * @param int $resolution dots an inch
     * @param float $ink how dark a dot is at most to be ink, as a part of the paper's own shade
     * @param self|null $like drawn as wide and as high as that one, whatever its own size
     *
     * @throws ToolFailed when the page cannot be drawn
     */
    public static function of(string $pdf, int $page, int $resolution, float $ink, ?self $like = null): self
    {
        $scratch = new Scratch();
        $number = (string) $page;
        $scale = $like === null
            ? ['-r', (string) $resolution]
            : ['-scale-to-x', (string) $like->width, '-scale-to-y', (string) $like->height];
        (new NativeTool(30))->run(
            ['pdftoppm', '-gray', '-cropbox', ...$scale, '-f', $number, '-l', $number, '-singlefile', $pdf, $scratch->path('page')],
        );
        $pgm = $scratch->get('page.pgm');
        if (preg_match('/^P5\s+(\d+)\s+(\d+)\s+255\s/', $pgm, $m) !== 1) {
            throw new \UnexpectedValueException('A picture of another kind than was asked for.');
        }
        $shades = substr($pgm, strlen($m[0]));
        $often = count_chars($shades, 1);
        arsort($often);
        $dark = (int) ($ink * (int) array_key_first($often));
        $all = implode('', array_map(chr(...), range(0, 255)));

        return new self((int) $m[1], (int) $m[2], strtr($shades, $all, str_repeat('x', $dark).str_repeat(' ', 256 - $dark)));
    }

    /** @return list<array{int, int}> where there is ink: columns and rows */
    public function points(): array
    {
        $points = [];
        for ($at = strpos($this->dots, 'x'); $at !== false; $at = strpos($this->dots, 'x', $at + 1)) {
            $points[] = [$at % $this->width, intdiv($at, $this->width)];
        }

        return $points;
    }

    /**
     * Rows of dots, "x" for ink, in which each dot is as broad and as high as it is said here.
     *
     * @param list<int> $aside columns beside a dot that become ink with it
     * @param list<int> $above rows that do
     */
    public static function broad(string $dots, int $width, array $aside, array $above): string
    {
        $rows = $dots;
        foreach ($aside as $by) {
            $rows |= self::moved($dots, $by);
        }
        $broad = $rows;
        foreach ($above as $by) {
            $broad |= self::moved($rows, $by * $width);
        }

        return $broad;
    }

    private static function moved(string $dots, int $by): string
    {
        $empty = str_repeat(' ', min(abs($by), strlen($dots)));

        return $by < 0 ? substr($dots, -$by).$empty : $empty.substr($dots, 0, strlen($dots) - strlen($empty));
    }
}
