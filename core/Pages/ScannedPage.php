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

    /** Ink is darker than this part of what most of the page is. */
    private const INK = 0.78;

    /** The shortest line that is taken for one, in points, and the thickest. */
    private const SHORTEST = 14.0;

    private const THICKEST = 4.0;

    /** How far apart words of a line must be, in points, to tell how it lies. */
    private const FAR = 150.0;

    /** Less askew than this, a line stays in its row of dots over a page. */
    private const LEVEL = 0.0005;

    /** A word taller than this, in points, is a stain or a stamp. */
    private const TALLEST = 60.0;

    /** How sure the reader must be of a word, of 100. */
    private const SURE = 35;

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
        $dots = (string) self::RESOLUTION;
        $table = (new NativeTool(60, environment: ['OMP_THREAD_LIMIT' => '1']))->run(
            ['tesseract', $scratch->path('page.pgm'), '-', '-l', 'eng', '--dpi', $dots, '--psm', '4', 'tsv'],
        );
        [$width, $height, $ink] = self::picture($scratch->get('page.pgm'));
        [$words, $slope] = self::words($table);
        $shape = [$ink, $width, $height, $slope];
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

        $across = self::besideWords(self::across(...$shape), $straight);

        $down = self::down(...$shape);
        // A line that is seen in pieces ends where the last of them does.
        $rules = PageRules::ofLines($across, self::withEdges($down, PageRules::ofLines($across, $down)->across));

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

    /** @return array{int, int, string} width and height in dots, and a character for each: "x" is ink */
    private static function picture(string $pgm): array
    {
        if (preg_match('/^P5\s+(\d+)\s+(\d+)\s+255\s/', $pgm, $m) !== 1) {
            throw new \UnexpectedValueException('A picture of another kind than was asked for.');
        }
        $dots = substr($pgm, strlen($m[0]));
        $shades = count_chars($dots, 1);
        arsort($shades);
        $dark = (int) (self::INK * (int) array_key_first($shades));
        $all = implode('', array_map(chr(...), range(0, 255)));

        return [(int) $m[1], (int) $m[2], strtr($dots, $all, str_repeat('x', $dark).str_repeat(' ', 256 - $dark))];
    }

    /** @return array{list<Word>, float} the words in points, and how much their lines fall from left to right */
    private static function words(string $table): array
    {
        $words = [];
        $rows = [];
        $points = 72 / self::RESOLUTION;
        foreach (explode("\n", $table) as $line) {
            $cells = explode("\t", $line);
            $text = trim($cells[11] ?? '');
            if ($cells[0] !== '5' || (float) $cells[10] < self::SURE || preg_match('/[\p{L}\d]/u', $text) !== 1) {
                continue;
            }
            [$x, $y, $width, $height] = array_map(static fn (string $n) => (float) $n * $points, array_slice($cells, 6, 4));
            // Underscores are seen as lines; what is written beside them stays.
            $long = mb_strlen($text);
            $text = trim((string) preg_replace('/_{2,}.*$|[|~]+/u', '', $text));
            $width *= mb_strlen($text) / $long;
            if ($text !== '' && $height < self::TALLEST) {
                $words[] = $word = new Word($text, $x, $y, $width, $height);
                $rows["{$cells[2]} {$cells[3]} {$cells[4]}"][] = $word;
            }
        }

        return [$words, self::slope($rows)];
    }

    /** @param  array<string, non-empty-list<Word>>  $rows  of words that stand on one line */
    private static function slope(array $rows): float
    {
        $slopes = [];
        foreach ($rows as $row) {
            [$first, $last] = [$row[0], $row[count($row) - 1]];
            $far = $last->x - $first->x;
            $far > self::FAR && ($slopes[] = ($last->y + $last->height / 2 - $first->y - $first->height / 2) / $far);
        }
        sort($slopes);

        return $slopes === [] ? 0.0 : $slopes[intdiv(count($slopes), 2)];
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

    /** A row of dots of the page set straight. */
    private static function row(string $dots, int $width, int $height, float $slope, int $y): string
    {
        $strip = abs($slope) < self::LEVEL ? $width : max(8, (int) (1 / abs($slope)));
        $row = '';
        for ($x = 0; $x < $width; $x += $strip) {
            $from = $y + (int) round($slope * ($x + $strip / 2 - $width / 2));
            $row .= $from < 0 || $from >= $height
                ? str_repeat(' ', min($strip, $width - $x))
                : substr($dots, $from * $width + $x, min($strip, $width - $x));
        }

        return $row;
    }

    /**
     * Long runs of ink in a row, set straight: strips of columns are shifted against each other.
     *
     * @return list<array{float, float, float}> left, right and from the top, in points
     */
    private static function across(string $dots, int $width, int $height, float $slope): array
    {
        $least = (int) (self::SHORTEST * self::RESOLUTION / 72);
        $rows = [];
        // A thin line on a slope goes on in the row below: each row is seen together with the next.
        $dots |= substr($dots, $width).str_repeat(' ', $width);
        for ($y = 0; $y < $height; $y++) {
            preg_match_all('/x{6,}(?: {1,2}x{3,})*/', self::row($dots, $width, $height, $slope, $y), $runs, PREG_OFFSET_CAPTURE);
            foreach ($runs[0] as [$run, $x]) {
                strlen($run) >= $least && ($rows[$y][] = [$x, $x + strlen($run)]);
            }
        }
        $lines = [];
        foreach (self::joined($rows) as [$left, $right, $top, $foot]) {
            $foot - $top < self::THICKEST && ($lines[] = [$left, $right, ($top + $foot) / 2]);
        }

        return $lines;
    }

    /**
     * Ink that stands over ink for a good while, as the picture lies: the page laid over itself, shifted down.
     *
     * @return list<array{float, float, float}> top, bottom and from the left, in points
     */
    private static function down(string $dots, int $width, int $height, float $slope): array
    {
        // As bits: "x" and " " differ in two of them, and dots that both are ink stay ink.
        $thick = $dots | substr($dots, 1).' ';
        $high = 1;
        foreach ([1, 2, 4, 8, 16, 16] as $shift) {
            $thick &= substr($thick, $shift * $width);
            $high += $shift;
        }
        $rows = [];
        $left = intdiv(strlen($thick), $width);
        for ($y = 0; $y < $left; $y++) {
            preg_match_all('/x+/', substr($thick, $y * $width, $width), $runs, PREG_OFFSET_CAPTURE);
            foreach ($runs[0] as [$run, $x]) {
                $rows[$y][] = [$x, $x + strlen($run)];
            }
        }
        $lines = [];
        foreach (self::joined($rows) as [$from, $to, $top, $foot]) {
            $x = ($from + $to) / 2;
            $falls = $slope * ($x - $width * 36 / self::RESOLUTION);
            $to - $from < 2 * self::THICKEST && ($lines[] = [$top - $falls, $foot + $high * 72 / self::RESOLUTION - $falls, $x]);
        }

        return $lines;
    }

    /**
     * Runs of ink in rows that touch each other, as one.
     *
     * @param array<int, list<array{int, int}>> $rows
     * @return list<array{float, float, float, float}> left, right, top and bottom, in points
     */
    private static function joined(array $rows): array
    {
        $open = $done = [];
        foreach ($rows as $y => $runs) {
            $now = [];
            foreach ($runs as [$from, $to]) {
                foreach ($open as $key => [$left, $right, $top, $foot]) {
                    if ($y - $foot < 2 && $from < $right && $to > $left) {
                        array_splice($open, $key, 1);
                        $now[] = [min($from, $left), max($to, $right), $top, $y];

                        continue 2;
                    }
                }
                $now[] = [$from, $to, $y, $y];
            }
            array_push($done, ...$open);
            $open = $now;
        }
        $points = 72 / self::RESOLUTION;

        return array_map(static fn (array $one) => array_map(static fn (int $n) => $n * $points, $one), [...$done, ...$open]);
    }
}
