<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A page that is but a picture: its words read from it, its ruled lines seen in it, both set straight where it lies askew.
 */
final readonly class ScannedPage
{
    /** Dots an inch: enough for small print, and for lines a point thick. */
    private const RESOLUTION = 200;

    /**
     * A picture that says nothing of its dots an inch makes a page of any size; outside of these it is read as if it were a
     * letter page.
     */
    private const SMALLEST = 500.0;

    private const LARGEST = 1100.0;

    private const LETTER = 792.0;

    /** Ink is darker than this part of what most of the page is; of a thin gray line less is left than of letters. */
    private const INK = 0.78;

    private const FAINT = 0.9;

    /** On a page with more faint dots than this, what looks like a faint line may be the paper's grain. */
    private const GRAIN = 0.2;

    /** The shortest faint line that is taken for one, in points, and how far from another it stands. */
    private const FAINT_LONG = 60.0;

    private const FAINT_APART = 6.0;

    /** A piece of a line lies no farther off it, in points. */
    private const PIECE = 3.0;

    /** How far from an edge of a table a line may end and still be meant to reach it, in points. */
    private const ASKEW = 5.0;

    /**
     * @param list<Word> $words
     * @param float $scale of the page that was read to the page as it is
     * @param float $slope how much a line falls from left to right, as a part of its length
     */
    private function __construct(
        public array $words,
        public PageRules $rules,
        public float $scale,
        private float $slope,
        private float $middle,
    ) {
    }

    /**
     * Reads a page, which takes some seconds.
     *
     * @param int $page from 1
     * @param float $longest the longer side of the page, in points
     *
     * @throws ToolFailed when the page cannot be drawn or read
     */
    public static function of(string $pdf, int $page, float $longest = self::LETTER): self
    {
        $scale = $longest < self::SMALLEST || $longest > self::LARGEST ? self::LETTER / $longest : 1.0;
        $scratch = new Scratch();
        $number = (string) $page;
        $from = ['-gray', '-r', sprintf('%.3F', $scale * self::RESOLUTION), '-cropbox', '-f', $number, '-l', $number, '-singlefile', $pdf];
        (new NativeTool(30))->run(['pdftoppm', ...$from, $scratch->path('page')]);
        [$width, $height, $ink, $faint] = self::picture($scratch->get('page.pgm'));
        $read = ReadWords::in($scratch->path('page.pgm'), self::RESOLUTION);
        $slope = InkSlope::of($ink, $width, $height, $read->slope);
        $lines = new InkLines($ink, $width, $height, $slope, self::RESOLUTION);
        $dotted = $lines->dotted($read->words);
        if ($dotted !== []) {
            // Words beside rows of dots are lost to the reader: without the dots it finds them.
            $shades = substr($scratch->get('page.pgm'), -$width * $height);
            $scratch->put('page.pgm', "P5\n{$width} {$height}\n255\n".$lines->without($shades, $dotted));
            $read = ReadWords::in($scratch->path('page.pgm'), self::RESOLUTION);
        }
        $words = $read->withScattered($scratch->path('page.pgm'), self::RESOLUTION);
        $middle = $width * 36 / self::RESOLUTION;
        $straight = array_map(
            static fn (Word $word) => new Word(
                $word->text,
                $word->x,
                $word->y - $slope * ($word->x + $word->width / 2 - $middle),
                $word->width,
                $word->height,
            ),
            $words,
        );
        $down = self::besideLetters($lines->down(), $straight);
        $across = [...$lines->across(), ...$dotted];
        if (substr_count($faint, 'x') < self::GRAIN * strlen($faint)) {
            $more = new InkLines($faint, $width, $height, $slope, self::RESOLUTION);
            $across = self::withFaint($across, $more->across(mends: false));
        }
        $across = self::besideWords($across, $straight);
        // A line that is seen in pieces ends where the last of them does.
        $down = self::withEdges($down, PageRules::ofLines($across, $down)->across);
        $rules = PageRules::ofLines(self::toEdges($across, $down), $down);

        return new self($straight, $rules, $scale, $slope, $middle);
    }

    /** A place of the page as it is, on the page as it was read. */
    public function asRead(Rect $place): Rect
    {
        $level = $place->y * $this->scale - $this->slope * (($place->x + $place->width / 2) * $this->scale - $this->middle);

        return new Rect($place->x * $this->scale, $level, $place->width * $this->scale, $place->height * $this->scale);
    }

    /** A place on the page set straight, where it stands on the page as it lies. */
    public function asItLies(Rect $place): Rect
    {
        return new Rect(
            $place->x / $this->scale,
            ($place->y + $this->slope * ($place->x + $place->width / 2 - $this->middle)) / $this->scale,
            $place->width / $this->scale,
            $place->height / $this->scale,
        );
    }

    /** @return array{int, int, string, string} width and height in dots, and a character for each: "x" is ink, and faint ink too */
    private static function picture(string $pgm): array
    {
        if (preg_match('/^P5\s+(\d+)\s+(\d+)\s+255\s/', $pgm, $m) !== 1) {
            throw new \UnexpectedValueException('A picture of another kind than was asked for.');
        }
        $dots = substr($pgm, strlen($m[0]));
        $shades = count_chars($dots, 1);
        arsort($shades);
        $paper = (int) array_key_first($shades);
        $all = implode('', array_map(chr(...), range(0, 255)));
        $inked = static fn (int $dark): string => strtr($dots, $all, str_repeat('x', $dark).str_repeat(' ', 256 - $dark));

        return [(int) $m[1], (int) $m[2], $inked((int) (self::INK * $paper)), $inked((int) (self::FAINT * $paper))];
    }

    /**
     * Lines with long faint ones, which stand for the pieces of them that were dark enough to be seen before.
     *
     * @param list<array{float, float, float}> $lines
     * @param list<array{float, float, float}> $faint
     * @return list<array{float, float, float}>
     */
    private static function withFaint(array $lines, array $faint): array
    {
        foreach ($faint as [$left, $right, $y]) {
            $near = array_filter($lines, static fn (array $one) => abs($one[2] - $y) < self::FAINT_APART && $one[0] < $right &&
                $one[1] > $left);
            $pieces = array_filter($near, static fn (array $one) => abs($one[2] - $y) < self::PIECE && $one[0] > $left - self::PIECE &&
                $one[1] < $right + self::PIECE && 0.9 * ($right - $left) > $one[1] - $one[0]);
            if ($right - $left >= self::FAINT_LONG && count($near) === count($pieces)) {
                $lines = [...array_diff_key($lines, $pieces), [$left, $right, $y]];
            }
        }

        return $lines;
    }

    /**
     * Without what is but the feet of letters.
     *
     * @param list<array{float, float, float}> $across
     * @param list<Word> $words
     * @return list<array{float, float, float}>
     */
    private static function besideWords(array $across, array $words): array
    {
        return array_values(array_filter($across, static function (array $line) use ($words): bool {
            [$left, $right, $y] = $line;
            $within = 0.0;
            foreach ($words as $word) {
                if ($y > $word->y - 1 && $y < $word->y + $word->height + 1) {
                    $within += max(0.0, min($right, $word->x + $word->width) - max($left, $word->x));
                }
            }

            return $within < ($right - $left) / 2;
        }));
    }

    /**
     * Without what is but the stem of a letter, however large it is set.
     *
     * @param list<array{float, float, float}> $down
     * @param list<Word> $words
     * @return list<array{float, float, float}>
     */
    private static function besideLetters(array $down, array $words): array
    {
        return array_values(array_filter($down, static function (array $line) use ($words): bool {
            [$top, $foot, $x] = $line;
            foreach ($words as $word) {
                $within = min($foot, $word->bottom() + 2) - max($top, $word->y - 2);
                if ($x > $word->x - 1 && $x < $word->right() + 1 && $within > 0.8 * ($foot - $top)) {
                    return false;
                }
            }

            return true;
        }));
    }

    /**
     * The edges of a table, too: they are faint where a scan was cut or the page lay bent.
     *
     * @param list<array{float, float, float}> $down
     * @param list<array{float, float, float}> $across
     * @return list<array{float, float, float}>
     */
    private static function withEdges(array $down, array $across): array
    {
        $edges = [];
        foreach ($down as [$top, $foot, $x]) {
            $crossed = array_filter(
                $across,
                static fn (array $line) => $line[0] < $x + 3 && $line[1] > $x - 3 && $line[2] > $top - 3 && $line[2] < $foot + 3,
            );
            if (count($crossed) > 2) {
                $edges[] = [$top, $foot, min(array_column($crossed, 0))];
                $edges[] = [$top, $foot, max(array_column($crossed, 1))];
            }
        }

        return [...$down, ...$edges];
    }

    /**
     * Lines that end at the lines down a table, whose ends lie a little off them where the page lies askew.
     *
     * @param list<array{float, float, float}> $across
     * @param list<array{float, float, float}> $down
     * @return list<array{float, float, float}>
     */
    private static function toEdges(array $across, array $down): array
    {
        foreach ($across as [&$left, &$right, $y]) {
            foreach ($down as [$top, $foot, $x]) {
                if ($y > $top - 3 && $y < $foot + 3) {
                    abs($left - $x) < self::ASKEW && ($left = min($left, $x));
                    abs($right - $x) < self::ASKEW && ($right = max($right, $x));
                }
            }
        }

        return $across;
    }
}
