<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * The words of a picture as the reader of letters gives them, without what are no words, and how far their lines fall.
 *
 * @internal to its area
 */
final readonly class ReadWords
{
    /** How sure the reader must be of a word, of 100. */
    private const SURE = 35;

    /** Words beside a line run into it for the reader, which is then sure of neither; these are worth having all the same. */
    private const WANTED = '/initials?|signature|\bdated?\b|\btime\b|\bname\b|buyer|seller|purchaser|tenant|landlord|owner|broker/i';

    /** What the reader looks for: columns of text, or words wherever they are. */
    private const TEXT = '4';

    private const SCATTERED = '11';

    /** How far apart words of a line must be, in points, to tell how it lies. */
    private const FAR = 150.0;

    /** How tall a word is at most, of the width of its letters at the mean: narrow ones are half as wide as high. */
    private const TALLER = 2.2;

    private const TALLER_SHORT = 2.6;

    /** A word of so few letters is no taller than so many times the rest of its row. */
    private const SHORT = 3;

    private const TALL = 2.0;

    /** A word taller than this, in points, is a stain or a stamp. */
    private const TALLEST = 60.0;

    /** Boxes beside each other look like "[JE]" to the reader, who is no surer of it than this. */
    private const BOXES = 60;

    /** Letters broader than this, in points, are of a heading, which the reader is surer of than this; or no letters. */
    private const BROAD = 14.0;

    private const LARGE_SURE = 90;

    /**
     * @param list<Word> $words in points
     * @param float|null $slope how much their lines fall from left to right, as a part of their length; null: none is long enough to tell
     */
    private function __construct(public array $words, public ?float $slope)
    {
    }

    /**
     * The words of a picture in columns of text.
     *
     * @param string $picture its path
     * @param int $resolution its dots an inch
     *
     * @throws ToolFailed when it cannot be read
     */
    public static function in(string $picture, int $resolution): self
    {
        return self::of(self::table($picture, self::TEXT, $resolution), $resolution);
    }

    /**
     * With what the reader finds where it looks for scattered words: captions in the cells of a table are lost to it among lines
     * of text.
     *
     * @param string $picture its path
     * @return list<Word>
     *
     * @throws ToolFailed when it cannot be read
     */
    public function withScattered(string $picture, int $resolution): array
    {
        $scattered = self::of(self::table($picture, self::SCATTERED, $resolution), $resolution)->words;
        $more = array_filter($scattered, function (Word $word): bool {
            if (preg_match('/\p{L}{3}/u', $word->text) !== 1) {
                return false;
            }
            foreach ($this->words as $known) {
                $across = min($word->right(), $known->right()) - max($word->x, $known->x);
                $down = min($word->bottom(), $known->bottom()) - max($word->y, $known->y);
                if ($across > 0 && $down > 0) {
                    return false;
                }
            }

            return true;
        });

        return [...$this->words, ...array_values($more)];
    }

    /** What the reader makes of a picture: a table of words. */
    private static function table(string $picture, string $as, int $resolution): string
    {
        return (new NativeTool(60, environment: ['OMP_THREAD_LIMIT' => '1']))->run(
            ['tesseract', $picture, '-', '-l', 'eng', '--dpi', (string) $resolution, '--psm', $as, 'tsv'],
        );
    }

    private static function of(string $table, int $resolution): self
    {
        $rows = [];
        $points = 72 / $resolution;
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
                $rows["{$cells[2]} {$cells[3]} {$cells[4]}"][] = new Word($text, $x, $y, $width, $height);
            }
        }
        $rows = array_map(self::evened(...), $rows);

        return new self(array_merge(...array_values($rows)), self::slope($rows));
    }

    /**
     * A row without what is much taller than the rest of it, as a figure is whose box takes in the line over it.
     *
     * @param non-empty-list<Word> $row
     * @return non-empty-list<Word>
     */
    private static function evened(array $row): array
    {
        $heights = array_map(static fn (Word $word) => $word->height, $row);
        sort($heights);
        $usual = $heights[intdiv(count($heights) - 1, 2)];

        return array_map(static fn (Word $word) => mb_strlen($word->text) <= self::SHORT && $word->height > self::TALL * $usual
            ? new Word($word->text, $word->x, $word->y + ($word->height - $usual) / 2, $word->width, $usual)
            : $word, $row);
    }

    /** @param  array<string, non-empty-list<Word>>  $rows  of words that stand on one line */
    private static function slope(array $rows): ?float
    {
        $slopes = [];
        foreach ($rows as $row) {
            [$first, $last] = [$row[0], $row[count($row) - 1]];
            $far = $last->x - $first->x;
            $far > self::FAR && ($slopes[] = ($last->y + $last->height / 2 - $first->y - $first->height / 2) / $far);
        }
        sort($slopes);

        return $slopes === [] ? null : $slopes[intdiv(count($slopes), 2)];
    }
}
