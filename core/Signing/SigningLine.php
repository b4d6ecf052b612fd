<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Rect;
use Unanimus\Pages\Word;
use Unanimus\Pages\WritingPlace;

/**
 * A line, box or field on a page together with the words around it: before it on its line, under it, above it, after it.
 *
 * @internal to its area
 */
final readonly class SigningLine
{
    public const MOST_WORDS = 9;

    /** How far under a line its caption may stand. */
    private const CAPTION = 27.0;

    /** How far under a line the row stands that names who signs on it. */
    private const CLOSE = 19.0;

    /** How far over a line its heading may stand, and how far left of a cell what its row is called. */
    private const HEADING = 38.0;

    /** What begins so far left of a line that has a label, and ends at it, stands in the margin. */
    private const MARGIN = 16.0;

    /** A word that only touches the beginning of a line is over none of it. */
    private const TOUCHES = 5.0;

    private const ACROSS = 320.0;

    private function __construct(
        public WritingPlace $at,
        public string $before,
        public string $under,
        public string $over,
        public string $after,
        public string $below,
        public bool $isSaidAfter = false,
        public bool $isWrapped = false,
    ) {
    }

    /**
     * @param list<WritingPlace> $all places of the page
     * @param list<Word> $words
     */
    public static function of(WritingPlace $at, array $all, array $words): self
    {
        $before = self::row($at, $all, $words, true);
        // "Received for the seller:" in a box of its own: words of its caption are no label before it.
        $before = strlen($at->caption) > strlen($before) && $before !== '' && str_ends_with($at->caption, $before) ? '' : $before;
        $under = self::underIt($at->place, $before, $words);

        return new self(
            $at,
            $before,
            self::isInOneCell($at, $all) ? '' : self::caption($at->place, $all, $under, true),
            $at->by === 'cell' ? self::column($at->cell ?? $at->place, $words) : self::over($at->place, $words),
            self::row($at, $all, $words, false),
            self::caption($at->place, $all, $under, false),
        );
    }

    /**
     * "Sign: ____" with "SELLER" under "Sign:": that begins what follows, and is no caption.
     *
     * @param list<Word> $words
     * @return list<Word>
     */
    private static function underIt(Rect $place, string $before, array $words): array
    {
        $foot = $place->y + $place->height;

        return array_values(array_filter($words, static function (Word $word) use ($place, $before, $foot, $words): bool {
            $isMargin = $word->y >= $foot - 2 && $word->x <= $place->x - self::MARGIN && $word->right() <= $place->x + self::MARGIN;
            if (! $isMargin || $before !== '' || $word->right() > $place->x + self::TOUCHES) {
                return ! $isMargin || $before === '';
            }
            // The number before a line may be lost on a scan; a caption of several words goes on.
            foreach ($words as $next) {
                if ($next->x > $word->x && $next->x - $word->right() < self::MARGIN && abs($next->y - $word->y) < 4) {
                    return true;
                }
            }

            return false;
        }));
    }

    /**
     * Whether what stands under it is the caption of the next place in its cell.
     *
     * @param list<WritingPlace> $all
     */
    private static function isInOneCell(WritingPlace $at, array $all): bool
    {
        $foot = $at->place->y + $at->place->height;
        foreach ($all as $other) {
            $alike = abs($other->place->x - $at->place->x) < 1 && abs($other->place->width - $at->place->width) < 1;
            if ($alike && $other->caption !== '' && $other->place->y > $foot && $other->place->y < $foot + self::CLOSE) {
                return $at->caption !== '';
            }
        }

        return false;
    }

    /** The same with nothing under it. */
    public function withoutCaption(): self
    {
        return new self($this->at, $this->before, '', $this->over, $this->after, '');
    }

    /** The same with other words as its caption. */
    public function captioned(string $under): self
    {
        return new self($this->at, $this->before, $under, $this->over, $this->after, $under);
    }

    /** The same with a label said elsewhere as if it stood before it. */
    public function labeled(string $label): self
    {
        $isAfter = $label !== '' && $label === $this->after;

        return new self($this->at, $label, $this->under, '', $isAfter ? '' : $this->after, $this->below, $isAfter);
    }

    /** The same with a label that stands at the end of the row over it. */
    public function wrapped(string $label): self
    {
        return new self($this->at, $label, '', '', $this->after, '', false, true);
    }

    /** Where the line is drawn: its foot. */
    public function foot(): float
    {
        return $this->at->place->y + $this->at->place->height;
    }

    public function right(): float
    {
        return $this->at->place->x + $this->at->place->width;
    }

    /** Whether it is a cell of a table, whose column says what it is for. */
    public function isCell(): bool
    {
        return $this->at->by === 'cell';
    }

    /** Whether both stand on one row of the page. */
    public function isBeside(self $other): bool
    {
        return abs($this->foot() - $other->foot()) < 7.0;
    }

    /**
     * The words before or after it on its line, up to the next place.
     *
     * @param list<WritingPlace> $all
     * @param list<Word> $words
     */
    private static function row(WritingPlace $at, array $all, array $words, bool $left): string
    {
        $place = $at->place;
        $foot = $place->y + $place->height;
        $wall = $left ? -1.0 : 100_000.0;
        foreach ($all as $other) {
            $end = $other->place->x + $other->place->width;
            if ($other === $at || $other->shape === 'tick' || abs($other->place->y + $other->place->height - $foot) > 7) {
                continue;
            }
            if ($left && $end <= $place->x + 1) {
                $wall = max($wall, $end - 1);
            } elseif (! $left && $other->place->x >= $place->x + $place->width - 1) {
                $wall = min($wall, $other->place->x + 1);
            }
        }
        // What a row of a table is called may stand anywhere in its height; the room under a caption is a part of that.
        $high = match ($at->by) {
            'cell' => max(13.0, $place->height),
            'box' => max(13.0, $place->height + ($at->caption === '' ? 0.0 : 14.0)),
            default => max(13.0, min(18.0, $place->height)),
        };
        $line = array_filter($words, static function (Word $word) use ($place, $foot, $left, $wall, $high): bool {
            $middle = $word->y + $word->height / 2;

            return $middle > $foot - $high && $middle < $foot + 4 && ($left
                ? $word->right() <= $place->x + 3 && $word->x >= $wall
                : $word->x >= $place->x + $place->width - 3 && $word->right() <= $wall);
        });
        usort($line, static fn (Word $a, Word $b) => $left ? $b->x <=> $a->x : $a->x <=> $b->x);
        $edge = $left ? $place->x : $place->x + $place->width;
        $taken = [];
        foreach ($line as $word) {
            $gap = $left ? $edge - $word->right() : $word->x - $edge;
            $far = $taken !== [] ? 22.0 : (! $left ? ($place->width < 60 ? 30.0 : 18.0) : ($at->by === 'cell' ? self::ACROSS : 90.0));
            if ($gap > $far || count($taken) >= self::MOST_WORDS) {
                break;
            }
            $taken[] = $word->text;
            $edge = $left ? $word->x : $word->right();
        }

        return trim(implode(' ', $left ? array_reverse($taken) : $taken));
    }

    /**
     * The row of words under it, where it stands near and no other place between: its caption.
     *
     * @param bool $own without the labels of places in that row
     * @param list<WritingPlace> $all
     * @param list<Word> $words
     */
    private static function caption(Rect $place, array $all, array $words, bool $own): string
    {
        $foot = $place->y + $place->height;
        $words = CaptionWords::withoutOthers($place, $all, $words);
        $nearest = $foot + ($own ? self::CAPTION : self::CLOSE);
        foreach ($all as $other) {
            $below = $other->place->y + $other->place->height;
            if (
                $own &&
                $below > $foot + 6 &&
                $other->place->x < $place->x + $place->width &&
                $other->place->x + $other->place->width > $place->x
            ) {
                $nearest = min($nearest, $below - 4);
            }
        }
        $row = null;
        foreach ($words as $word) {
            $middle = $word->y + $word->height / 2;
            if ($middle > $foot - 1.5 && $middle < $nearest && CaptionWords::isOver($word, $place) && ($row === null || $middle < $row)) {
                $row = $middle;
            }
        }

        if ($row === null) {
            return '';
        }
        $on = array_values(array_filter($words, static fn (Word $word) => abs($word->y + $word->height / 2 - $row) < 4));
        $there = array_filter($all, static function (WritingPlace $other) use ($row, $foot): bool {
            $below = $other->place->y + $other->place->height;

            return $below - $row > -9 && $below - $row < 13 && $below > $foot + 4;
        });

        return CaptionWords::band($place, $own ? CaptionWords::withoutLabels($on, $there, $place) : $on, $row - 4, $row + 4);
    }

    /**
     * The nearest row of words over it, in its column.
     *
     * @param list<Word> $words
     */
    private static function over(Rect $place, array $words): string
    {
        $row = null;
        foreach ($words as $word) {
            $middle = $word->y + $word->height / 2;
            $near = $middle < $place->y + $place->height - 8 && $middle > $place->y + $place->height - 16 - self::HEADING;
            if ($near && CaptionWords::isOver($word, $place) && ($row === null || $middle > $row)) {
                $row = $middle;
            }
        }

        return $row === null ? '' : CaptionWords::band($place, $words, $row - 4, $row + 4);
    }

    /**
     * What a cell's column is called: the nearest words over it that stand within its width, however far up.
     *
     * @param list<Word> $words
     */
    private static function column(Rect $place, array $words): string
    {
        $row = null;
        foreach ($words as $word) {
            $within = $word->x > $place->x - 4 && $word->right() < $place->x + $place->width + 4;
            if ($within && $word->bottom() < $place->y + 3 && $word->y > $place->y - 400 && ($row === null || $word->y > $row)) {
                $row = $word->y;
            }
        }
        $in = self::headingRow($place, $words, $row);
        // "Buyer" over "1", as in a narrow column.
        for ($over = $in; $over !== []; array_unshift($in, ...$over)) {
            $top = min(array_map(static fn (Word $word) => $word->y, $over));
            $next = array_filter($words, static fn (Word $word) => $word->bottom() > $top - 5 && $word->bottom() < $top + 2.5 &&
                $word->x > $place->x - 4 && $word->right() < $place->x + $place->width + 4);
            $over = $next === [] ? [] : self::headingRow($place, $words, max(array_map(static fn (Word $word) => $word->y, $next)));
        }

        return count($in) > self::MOST_WORDS ? '' : implode(' ', array_map(static fn (Word $word) => $word->text, $in));
    }

    /**
     * @param list<Word> $words
     * @return list<Word> those over a place in a row, from the left
     */
    private static function headingRow(Rect $place, array $words, ?float $row): array
    {
        $in = array_filter(
            $words,
            static fn (Word $word) => $row !== null && abs($word->y - $row) < 4 && CaptionWords::isOver($word, $place),
        );
        usort($in, static fn (Word $a, Word $b) => $a->x <=> $b->x);

        return $in;
    }
}
