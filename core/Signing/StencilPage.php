<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Word;

/**
 * A page as a stencil knows it again: by pairs of neighbouring words, wherever they stand and whatever was filled in between.
 *
 * @internal to its area
 */
final readonly class StencilPage
{
    /** So many pairs of a page are kept to know it by. */
    private const SAMPLE = 64;

    /** More words of the largest size than this are no title. */
    private const MOST_IN_TITLE = 16;

    /** Fewer pairs than this say nothing of a page. */
    private const LEAST = 12;

    /**
     * @param int $number from 1
     * @param list<int> $sample hashes of pairs of words, the smallest ones; empty for a page with too little on it
     * @param list<Word> $words with their places; none where no mark stands
     */
    public function __construct(
        public int $number,
        public float $width,
        public float $height,
        public array $sample,
        public array $words = [],
    ) {
    }

    /**
     * A page of a paper.
     *
     * @param list<Word> $words
     * @param array{float, float} $size width and height in points
     */
    public static function of(int $number, array $words, array $size, bool $isMarked): self
    {
        $pairs = array_keys(self::pairs($words));
        sort($pairs);

        return new self(
            $number,
            $size[0],
            $size[1],
            count($pairs) < self::LEAST ? [] : array_slice($pairs, 0, self::SAMPLE),
            $isMarked ? $words : [],
        );
    }

    /**
     * Hashes of the pairs of neighbouring words.
     *
     * @param list<Word> $words
     * @return array<int, true>
     */
    public static function pairs(array $words): array
    {
        $pairs = [];
        $before = null;
        foreach ($words as $word) {
            $text = self::plain($word->text);
            // Lines to write on and what stands on them are not the paper's own words.
            if ($text === '') {
                continue;
            }
            $before === null || ($pairs[crc32("{$before} {$text}")] = true);
            $before = $text;
        }

        return $pairs;
    }

    /**
     * How much of this page stands on another, 0 to 1; 0 where too little is on it to tell.
     *
     * @param array<int, true> $pairs of the other page
     */
    public function shareIn(array $pairs): float
    {
        return $this->sample === [] ? 0.0 : count(array_intersect_key(array_flip($this->sample), $pairs)) / count($this->sample);
    }

    /**
     * The title on a page: its largest words.
     *
     * @param list<Word> $words
     * @return list<string> none where everything is of one size
     */
    public static function title(array $words): array
    {
        $said = array_filter($words, static fn (Word $word) => mb_strlen(self::plain($word->text)) > 1);
        $tallest = max([0.0, ...array_map(static fn (Word $word) => $word->height, $said)]);
        $title = array_filter($said, static fn (Word $word) => $word->height > 0.85 * $tallest);

        return count($title) > self::MOST_IN_TITLE
            ? []
            : array_values(array_map(static fn (Word $word) => self::plain($word->text), $title));
    }

    /**
     * How much of one title stands in another, 0 to 1; 1 where either paper has none.
     *
     * @param list<string> $one
     * @param list<string> $other
     */
    public static function likeTitles(array $one, array $other): float
    {
        return $one === [] || $other === [] ? 1.0 : count(array_intersect($one, $other)) / count($one);
    }

    /** A word without what differs between two prints of it; empty for what is no word. */
    public static function plain(string $text): string
    {
        return mb_strtolower((string) preg_replace('/[^\p{L}\p{N}]+/u', '', $text));
    }

    /** @param  array<string, mixed>  $data  as written by {@see toArray} */
    public static function fromArray(array $data): self
    {
        return new self(
            (int) $data['number'],
            (float) $data['width'],
            (float) $data['height'],
            array_values(array_map(intval(...), $data['sample'])),
            array_values(
                array_map(
                    static fn (array $one) => new Word((string) $one[0], ...array_map(floatval(...), array_slice($one, 1, 4))),
                    $data['words'],
                ),
            ),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'number' => $this->number,
            'width' => $this->width,
            'height' => $this->height,
            'sample' => $this->sample,
            'words' => array_map(
                static fn (Word $one) => [$one->text, round($one->x, 2), round($one->y, 2), round($one->width, 2), round($one->height, 2)],
                $this->words,
            ),
        ];
    }
}
