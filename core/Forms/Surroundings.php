<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Word;
use Unanimus\Pages\WritingPlace;

/**
 * The words around a place that is meant to be filled: before it on its line, above, below, after.
 *
 * @internal to its area
 */
final readonly class Surroundings
{
    private const MOST_WORDS = 7;

    private const FARTHEST = 46.0;

    /** Where words stand in a column of their own, the lines to fill in another. */
    private const ACROSS = 260.0;

    /**
     * @param list<WritingPlace> $places all of the page
     * @param list<Word> $words
     */
    public function __construct(private WritingPlace $at, private array $places, private array $words)
    {
    }

    /** What it is to be called by. */
    public function label(): string
    {
        // "Expires ___/___/____" says of three blanks what day they are.
        $said = $this->at->by === 'underscores' && $this->at->caption !== '' ? self::tidy($this->before()) : '';
        if ($said !== '') {
            return $said;
        }
        if ($this->at->caption !== '') {
            return self::tidy($this->at->caption) ?: self::tidy($this->heading());
        }
        if ($this->at->shape === 'tick') {
            return self::tidy($this->after()) ?: self::tidy($this->before());
        }
        if ($this->at->by === 'cell') {
            return self::tidy(trim($this->before(600).' '.$this->heading())) ?: self::tidy($this->above());
        }
        // "______ ("Buyer")": a contract says in brackets what it calls somebody.
        if (preg_match('/^\(\s?["“](?:the )?([\p{L} ]{3,30})["”]\s?\)/u', $this->after(), $called) === 1) {
            return $called[1];
        }
        $before = self::tidy($this->before());
        $under = $this->at->by === 'ruled line' || ($this->at->shape === 'line' && $before === '') ? self::tidy($this->below()) : '';

        return $before !== '' && ($under === '' || ! $this->standsAlone())
            ? $before
            : ($under ?:
                self::tidy($this->before(self::ACROSS)) ?:
                self::tidy($this->above()));
    }

    /** Whether the word right before it is that. */
    public function follows(string $text): bool
    {
        $before = trim($this->before()) ?: trim($this->before(self::ACROSS));

        return str_ends_with($before, $text) || trim($this->at->caption) === $text;
    }

    /** The words before it on its line, the nearest last. */
    public function before(float $farthest = self::FARTHEST): string
    {
        $line = array_filter($this->words, fn (Word $word) => $this->level($word) && $word->right() <= $this->at->place->x + 2.5);
        usort($line, static fn (Word $a, Word $b) => $b->x <=> $a->x);
        $edge = $this->at->place->x;
        $wall = $this->wall(true);
        $taken = [];
        foreach ($line as $word) {
            if (
                $edge - $word->right() > ($taken === [] || $taken === ['$'] ? $farthest : 16.0) ||
                $word->right() < $wall ||
                count($taken) >= self::MOST_WORDS
            ) {
                break;
            }
            array_unshift($taken, $word->text);
            $edge = $word->x;
        }

        return implode(' ', $taken);
    }

    /** The words after it on its line. */
    public function after(): string
    {
        $end = $this->at->place->x + $this->at->place->width;
        $line = array_filter($this->words, fn (Word $word) => $this->level($word) && $word->x >= $end - 2.5);
        usort($line, static fn (Word $a, Word $b) => $a->x <=> $b->x);
        $wall = $this->wall(false);
        $taken = [];
        foreach ($line as $word) {
            if ($word->x - $end > ($taken === [] ? 24.0 : 14.0) || $word->x > $wall || count($taken) >= self::MOST_WORDS) {
                break;
            }
            $taken[] = $word->text;
            $end = $word->right();
        }

        return implode(' ', $taken);
    }

    /** Words that stand close by on any side. */
    public function near(): string
    {
        return $this->before(200).' '.$this->below().' '.$this->above().' '.$this->after();
    }

    private function above(float $reach = 15.0): string
    {
        return $this->band($this->at->place->y - $reach, $this->at->place->y + 1);
    }

    /** The words close under it. */
    public function below(): string
    {
        $foot = $this->at->place->y + $this->at->place->height;

        return $this->band($foot - 1.5, $foot + 14);
    }

    /** The heading of a cell's column: the nearest words right above it, however far up in the table. */
    private function heading(): string
    {
        $middle = $this->at->place->x + $this->at->place->width / 2;
        $above = array_filter(
            $this->words,
            fn (Word $word) => $word->bottom() <= $this->at->place->y + 1 &&
                $word->bottom() > $this->at->place->y - 300 &&
                $word->x < $this->at->place->x + $this->at->place->width &&
                $word->right() > $this->at->place->x &&
                abs($word->x + $word->width / 2 - $middle) < $this->at->place->width / 2,
        );
        if ($above === []) {
            return '';
        }
        $lowest = max(array_map(static fn (Word $word) => $word->bottom(), $above));
        $row = array_filter($above, static fn (Word $word) => $word->bottom() > $lowest - 5);
        usort($row, static fn (Word $a, Word $b) => $a->x <=> $b->x);

        return implode(' ', array_slice(array_map(static fn (Word $word) => $word->text, $row), 0, 5));
    }

    private function band(float $top, float $bottom): string
    {
        $in = array_filter(
            $this->words,
            fn (Word $word) => $word->y + $word->height / 2 > $top &&
                $word->y + $word->height / 2 < $bottom &&
                $word->x < $this->at->place->x + $this->at->place->width &&
                $word->right() > $this->at->place->x - 2,
        );
        usort($in, static fn (Word $a, Word $b) => [round($a->y / 3), $a->x] <=> [round($b->y / 3), $b->x]);

        return implode(' ', array_slice(array_map(static fn (Word $word) => $word->text, $in), 0, self::MOST_WORDS));
    }

    /** Whether a word stands on the line of the place. */
    private function level(Word $word): bool
    {
        $foot = $this->at->place->y + $this->at->place->height;
        $low = $this->at->place->height > 30 ? $this->at->place->y - 2 : $foot - 13;

        return $word->y + $word->height / 2 > $low && $word->y + $word->height / 2 < $foot + 3;
    }

    /** Where the neighboring place on its line begins or ends: words beyond it belong to that one. */
    private function wall(bool $left): float
    {
        $wall = $left ? -1.0 : 100_000.0;
        foreach ($this->places as $other) {
            $foot = $other->place->y + $other->place->height;
            if ($other === $this->at || abs($foot - $this->at->place->y - $this->at->place->height) > 6) {
                continue;
            }
            if ($left && $other->place->x + $other->place->width <= $this->at->place->x + 1) {
                $wall = max($wall, $other->place->x + $other->place->width - 1);
            } elseif (! $left && $other->place->x >= $this->at->place->x + $this->at->place->width - 1) {
                $wall = min($wall, $other->place->x);
            }
        }

        return $wall;
    }

    /** Whether nothing but the place is on its line, as with a line to sign. */
    private function standsAlone(): bool
    {
        return trim($this->before(30)) === '' || $this->at->place->width > 140;
    }

    private static function tidy(string $text): string
    {
        // "(Seller) for the property at": what is said in brackets was said of the blank before.
        $text = (string) preg_replace(['/^.*[.;?!]\s+(?=\p{L})/u', '/^\([^()]{2,40}\),?\s+(?=\p{L})/u'], '', $text);
        $text = (string) preg_replace('/\s*[:$(\[#]+\s*$|^[\s):\],.;–-]+|\s+/u', ' ', $text);

        return mb_strimwidth(trim((string) preg_replace('/\s{2,}/', ' ', $text), " \t:,;–-"), 0, 60, '…');
    }
}
