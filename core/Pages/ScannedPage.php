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

    /** How far apart words of a line must be, in points, to tell how it lies. */
    private const FAR = 150.0;

    /** How far from an edge of a table a line may end and still be meant to reach it, in points. */
    private const ASKEW = 5.0;

    /** Words beside a line run into it for the reader, which is then sure of neither; these are worth having all the same. */
    private const WANTED = '/initials?|signature|\bdated?\b|\btime\b|\bname\b|buyer|seller|purchaser|tenant|landlord|owner|broker/i';

    /** What the reader looks for: columns of text, or words wherever they are. */
    private const TEXT = '4';

    private const SCATTERED = '11';

    /** How tall a word is at most, of the width of its letters at the mean: narrow ones are half as wide as high. */
    private const TALLER = 2.2;

    private const TALLER_SHORT = 2.6;

    /** Boxes beside each other look like "[JE]" to the reader, who is no surer of it than this. */
    private const BOXES = 60;

    /** Letters broader than this, in points, are of a heading, which the reader is surer of than this; or no letters. */
    private const BROAD = 14.0;

    private const LARGE_SURE = 90;

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
        [$width, $height, $ink] = self::picture($scratch->get('page.pgm'));
        [$words, $slope] = self::words(self::read($scratch->path('page.pgm')));
        $lines = new InkLines($ink, $width, $height, $slope, self::RESOLUTION);
        $dotted = $lines->dotted($words);
        if ($dotted !== []) {
            // Words beside rows of dots are lost to the reader: without the dots it finds them.
            $shades = substr($scratch->get('page.pgm'), -$width * $height);
            $scratch->put('page.pgm', "P5\n{$width} {$height}\n255\n".$lines->without($shades, $dotted));
            [$words] = self::words(self::read($scratch->path('page.pgm')));
        }
        $words = self::withScattered($words, self::words(self::read($scratch->path('page.pgm'), self::SCATTERED))[0]);
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
        $across = self::besideWords([...$lines->across(), ...$dotted], $straight);
        // A line that is seen in pieces ends where the last of them does.
        $down = self::withEdges($down, PageRules::ofLines($across, $down)->across);
        $rules = PageRules::ofLines(self::toEdges($across, $down), $down);

        return new self($straight, $rules, $scale, $slope, $middle);
    }

    /**
     * With what the reader finds where it looks for scattered words: captions in the cells of a table are lost to it among lines
     * of text.
     *
     * @param list<Word> $words
     * @param list<Word> $scattered
     * @return list<Word>
     */
    private static function withScattered(array $words, array $scattered): array
    {
        $more = array_filter($scattered, static function (Word $word) use ($words): bool {
            if (preg_match('/\p{L}{3}/u', $word->text) !== 1) {
                return false;
            }
            foreach ($words as $known) {
                $across = min($word->right(), $known->right()) - max($word->x, $known->x);
                $down = min($word->bottom(), $known->bottom()) - max($word->y, $known->y);
                if ($across > 0 && $down > 0) {
                    return false;
                }
            }

            return true;
        });

        return [...$words, ...array_values($more)];
    }

    /** What the reader makes of a picture: a table of words. */
    private static function read(string $picture, string $as = self::TEXT): string
    {
        return (new NativeTool(60, environment: ['OMP_THREAD_LIMIT' => '1']))->run(
            ['tesseract', $picture, '-', '-l', 'eng', '--dpi', (string) self::RESOLUTION, '--psm', $as, 'tsv'],
        );
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
            $isSure = $cells[0] === '5' && ((float) $cells[10] >= self::SURE || preg_match(self::WANTED, $text) === 1);
            $isBoxes = (float) ($cells[10] ?? 0) < self::BOXES && preg_match('/^(?=.*[\[\]|{}])[\[\]|(){}LIJTEHli1_\/]+$/u', $text) === 1;
            // So do two of them that touch: "ET", each letter as broad as a box.
            $isBroad = (float) ($cells[8] ?? 0) * $points > self::BROAD * mb_strlen($text) && (float) ($cells[10] ?? 0) < self::LARGE_SURE;
            $isBoxes = $isBoxes || ($isBroad && preg_match('/^[LIJTEHFCUOD\[\]|]{1,3}$/', $text) === 1);
            if (! $isSure || $isBoxes || preg_match('/[\p{L}\d]/u', $text) !== 1) {
                continue;
            }
            [$x, $y, $width, $height] = array_map(static fn (string $n) => (float) $n * $points, array_slice($cells, 6, 4));
            // Underscores are seen as lines; what is written beside them stays.
            $long = mb_strlen($text);
            $text = trim((string) preg_replace('/_{2,}.*$|[|~]+/u', '', $text));
            $width *= mb_strlen($text) / $long;
            // "Tenantinitials:" are two words.
            $text = (string) preg_replace('/^(\p{Lu}\p{Ll}{3,}(?:[’\']s)?)(?=(?:initials?|signature|name|\d$)\b)/u', '$1 ', $text);
            // Dirt over or under a word makes it taller than its letters are wide.
            $most = (mb_strlen($text) > 5 ? self::TALLER : self::TALLER_SHORT) * $width / max(1, mb_strlen($text));
            if (mb_strlen($text) > 3 && $height > $most) {
                [$y, $height] = [$y + ($height - $most) / 2, $most];
            }
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
