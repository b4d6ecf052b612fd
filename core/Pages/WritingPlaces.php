<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Finds where a flat page is meant to be filled: runs of underscores or dots, ruled lines, empty boxes and table cells,
 * check squares and brackets.
 */
final class WritingPlaces
{
    /** So much room over a caption at the foot of a box is written in. */
    private const OVER_CAPTION = 14.0;

    private const SQUARES = '☐□❏❑▢◻⬜';

    /** @var list<Word> words that are to be read, without what is to be written on */
    private array $read = [];

    /** @var list<WritingPlace> */
    private array $places = [];

    /** @var list<Rect> boxes and cells */
    private array $all = [];

    private function __construct(private readonly PageRules $rules)
    {
    }

    /**
     * The places of a page, from the top, with the words that are left to read.
     *
     * @param list<Word> $words
     * @return array{list<WritingPlace>, list<Word>}
     */
    public static function on(array $words, PageRules $rules): array
    {
        $page = new self($rules);
        [$page->places, $page->read] = TypedRuns::in($words);
        $page->brackets();
        $cells = $page->cells();
        $page->frames([...$rules->frames, ...$cells, ...array_filter($rules->shaded, $page->isEmpty(...))]);
        $page->places = CaptionedCell::besideLabels($page->places, $words);
        $page->lines([...$rules->frames, ...$cells]);
        usort(
            $page->places,
            static fn (WritingPlace $a, WritingPlace $b) => [round(($a->place->y + $a->place->height) / 5), $a->place->x] <=> [
                round(($b->place->y + $b->place->height) / 5),
                $b->place->x,
            ],
        );

        return [$page->places, $page->read];
    }

    private function isEmpty(Rect $box): bool
    {
        foreach ($this->read as $word) {
            $isAcross = $word->x < $box->x + $box->width && $word->right() > $box->x;
            if ($isAcross && $word->y + $word->height / 2 > $box->y && $word->y + $word->height / 2 < $box->y + $box->height) {
                return false;
            }
        }

        return true;
    }

    /** Whether what stands at the left of a low cell is what the rest of it is for: "Amount $"; "Date", right of an empty one. */
    private function isLabel(Rect $frame, string $caption): bool
    {
        if (preg_match('/^(?:date(?:d| signed)?|fecha|time|hora)$/i', $caption) !== 1) {
            return preg_match('/[:$?]$/', $caption) === 1;
        }
        $isEmpty = false;
        foreach ($this->all as $other) {
            if (abs($other->y - $frame->y) + abs($other->height - $frame->height) >= 4) {
                continue;
            }
            if (abs($frame->x + $frame->width - $other->x) < 4) {
                return false;
            }
            $isEmpty = $isEmpty || (abs($other->x + $other->width - $frame->x) < 4 && array_filter(
                $this->read,
                static fn (Word $word) => $word->x > $other->x - 1 && $word->right() < $frame->x + 1 &&
                    $word->y + $word->height / 2 > $other->y && $word->y + $word->height / 2 < $other->y + $other->height,
            ) === []);
        }

        return $isEmpty;
    }

    /** "[ ]", "( )", "[_]" and drawn squares among the words. */
    private function brackets(): void
    {
        $left = [];
        for ($i = 0, $count = count($this->read); $i < $count; $i++) {
            $word = $this->read[$i];
            $next = $this->read[$i + 1] ?? null;
            if (
                in_array($word->text, ['[', '('], true) &&
                $next !== null &&
                in_array($next->text, [']', ')'], true) &&
                abs($next->y - $word->y) < 3 &&
                $next->right() - $word->x < ($this->isOpen($word, $next) ? 44 : 30)
            ) {
                $this->tick(new Rect($word->x, $word->y, $next->right() - $word->x, $word->height), 'brackets');
                $i++;
            } elseif (preg_match('/^(\[[ _]?\]|\([ _]\)|['.self::SQUARES.'])(.*)$/u', $word->text, $m) === 1) {
                $width = min($word->width, $m[2] === '' ? $word->width : $word->height);
                $this->tick(
                    new Rect($word->x, $word->y, $width, $word->height),
                    preg_match('/^['.self::SQUARES.']/u', $word->text) === 1 ? 'check square' : 'brackets',
                );
                $m[2] === '' || ($left[] = new Word($m[2], $word->x + $width, $word->y, max(0.1, $word->width - $width), $word->height));
            } else {
                $left[] = $word;
            }
        }
        $this->read = $left;
    }

    /** Whether nothing is drawn to write on between two brackets, "[    ]". */
    private function isOpen(Word $left, Word $right): bool
    {
        $drawn = array_map(static fn (WritingPlace $one) => [$one->place->x, $one->place->x + $one->place->width, $one->place->y +
            $one->place->height], $this->places);
        $within = static fn (array $line): bool => $line[0] < $right->x && $line[1] > $left->right() &&
            abs($line[2] - $left->bottom()) < 8;

        return array_filter([...$drawn, ...$this->rules->across], $within) === [];
    }

    private function tick(Rect $place, string $by): void
    {
        $side = min($place->width, $place->height);
        $this->places[] = new WritingPlace(
            'tick',
            new Rect($place->x + ($place->width - $side) / 2, $place->y + ($place->height - $side) / 2, $side, $side),
            $by === 'brackets' ? 'brackets' : 'check square',
        );
    }

    /** @return list<Rect> the cells of tables drawn with single lines */
    private function cells(): array
    {
        $cells = [];
        $across = $this->rules->across;
        usort($across, static fn (array $a, array $b) => $a[2] <=> $b[2]);
        foreach ($across as [$x1, $x2, $top]) {
            $downs = array_filter(
                $this->rules->down,
                static fn (array $down) => $down[0] <= $top + 2 && $down[1] >= $top + 7 && $down[2] >= $x1 - 2 && $down[2] <= $x2 + 2,
            );
            usort($downs, static fn (array $a, array $b) => $a[2] <=> $b[2]);
            for ($i = 1, $count = count($downs); $i < $count; $i++) {
                [$left, $right] = [$downs[$i - 1], $downs[$i]];
                if ($right[2] - $left[2] < 6) {
                    continue;
                }
                foreach ($across as [$b1, $b2, $bottom]) {
                    if ($bottom > $top + 6 && $b1 <= $left[2] + 2 && $b2 >= $right[2] - 2) {
                        min($left[1], $right[1]) >= $bottom - 2 &&
                            ($cells[] = new Rect($left[2], $top, $right[2] - $left[2], $bottom - $top));
                        break;
                    }
                }
            }
        }

        return $cells;
    }

    /** @param  list<Rect>  $frames */
    private function frames(array $frames): void
    {
        usort($frames, static fn (Rect $a, Rect $b) => $a->width * $a->height <=> $b->width * $b->height);
        $this->all = $frames;
        $used = [];
        foreach ($frames as $frame) {
            foreach ($used as $other) {
                if ($this->shares($frame, $other)) {
                    continue 2;
                }
            }
            $used[] = $frame;
            $inside = array_values(
                array_filter(
                    $this->read,
                    static fn (Word $word) => $word->x + $word->width / 2 > $frame->x &&
                        $word->x + $word->width / 2 < $frame->x + $frame->width &&
                        $word->y + $word->height / 2 > $frame->y &&
                        $word->y + $word->height / 2 < $frame->y + $frame->height,
                ),
            );
            $square =
                $frame->width >= 5 &&
                $frame->width <= 18 &&
                $frame->height >= 5 &&
                $frame->height <= 18 &&
                $frame->width / $frame->height > 0.7 &&
                $frame->width / $frame->height < 1.43;
            if ($square) {
                $inside === [] && $this->free($frame) && ($this->places[] = new WritingPlace('tick', $frame, 'check square'));
            } elseif ($frame->width >= 20 && $frame->height >= 10 && $this->free($frame)) {
                $this->box($frame, $inside);
            }
        }
    }

    /** @param  list<Word>  $inside */
    private function box(Rect $frame, array $inside): void
    {
        $pad = 1.5;
        $parts = $inside === [] ? $this->ruledParts($frame) : [];
        if (count($parts) > 1) {
            array_push($this->places, ...$parts);

            return;
        }
        if ($inside === []) {
            $frame->height < 500 &&
                ($this->places[] = new WritingPlace(
                    'box',
                    new Rect($frame->x + $pad, $frame->y + $pad, $frame->width - 2 * $pad, $frame->height - 2 * $pad),
                    'cell',
                ));

            return;
        }
        if ($this->isRuledWithin($frame)) {
            return;
        }
        $bands = CaptionedCell::places($frame, $inside);
        if ($bands !== []) {
            array_push($this->places, ...$bands);

            return;
        }
        $caption = implode(' ', array_map(static fn (Word $word) => $word->text, $inside));
        $low = max(array_map(static fn (Word $word) => $word->bottom(), $inside));
        $right = max(array_map(static fn (Word $word) => $word->right(), $inside));
        $high = min(array_map(static fn (Word $word) => $word->y, $inside));
        $first = max(16.0, 4.5 + 1.3 * max(array_map(static fn (Word $word) => $word->height, $inside)));
        if ($high - $frame->y >= self::OVER_CAPTION && $frame->y + $frame->height - $low < 7 && count($inside) <= 5) {
            // A caption at the foot of its box has the room over it.
            $this->places[] = new WritingPlace(
                'box',
                new Rect($frame->x + $pad, $frame->y + $pad, $frame->width - 2 * $pad, $high - $frame->y - $pad),
                'box',
                $caption,
            );
        } elseif ($frame->y + $frame->height - $low >= 8.5 && $low - $frame->y < $first && count($inside) <= 8) {
            $this->places[] = new WritingPlace(
                'box',
                new Rect($frame->x + $pad, $low, $frame->width - 2 * $pad, $frame->y + $frame->height - $low - $pad),
                'box',
                $caption,
            );
        } elseif ($frame->height < 32 && $frame->x + $frame->width - $right >= 24 && $this->isLabel($frame, $caption)) {
            $this->places[] = new WritingPlace(
                'box',
                new Rect($right + 2, $frame->y + $pad, $frame->x + $frame->width - $right - 2 - $pad, $frame->height - 2 * $pad),
                'box',
                $caption,
            );
        }
    }

    /** @return list<WritingPlace> lines beside each other in an empty cell, from the left: as many cells */
    private function ruledParts(Rect $frame): array
    {
        $right = $frame->x + $frame->width;
        $within = array_filter($this->rules->across, static fn (array $line) => $line[0] > $frame->x + 1 && $line[1] < $right - 1 &&
            $line[1] - $line[0] >= 14 && $line[2] > $frame->y + 6 && $line[2] < $frame->y + $frame->height - 2);
        usort($within, static fn (array $a, array $b) => $a[0] <=> $b[0]);
        $isRow = $within !== [] && max(array_column($within, 2)) - min(array_column($within, 2)) < 2;

        return ! $isRow ? [] : array_map(
            static fn (array $line) => new WritingPlace('box', new Rect($line[0], $frame->y + 1.5, $line[1] - $line[0], $line[2] -
                $frame->y - 1.5), 'cell', cell: $frame),
            $within,
        );
    }

    /** Whether a frame holds lines to write on: then it is drawn around a block, and is no place itself. */
    private function isRuledWithin(Rect $frame): bool
    {
        $ruled = new RuledLines($this->read, $this->rules->down);
        $short = 0;
        foreach ($this->rules->across as [$x1, $x2, $y]) {
            $isWithin = $x1 > $frame->x + 3 && $x2 < $frame->x + $frame->width - 3 && $x2 - $x1 > 15 &&
                $y > $frame->y + 8 && $y < $frame->y + $frame->height - 4 && ! $ruled->underlines($x1, $x2, $y);
            $short += $isWithin ? 1 : 0;
            if ($isWithin && $x2 - $x1 > 30) {
                return true;
            }
        }

        // "Buyer(s): ____ ____", as for initials.
        return $short > 1;
    }

    /**
     * Ruled lines that are no edge of a box and underline nothing.
     *
     * @param list<Rect> $frames
     */
    private function lines(array $frames): void
    {
        $ruled = new RuledLines($this->read, $this->rules->down);
        $textLeft = $this->read === [] ? 0 : min(array_map(static fn (Word $word) => $word->x, $this->read));
        $textRight = $this->read === [] ? 612 : max(array_map(static fn (Word $word) => $word->right(), $this->read));
        // On a page with few words the lines tell how far its text could go.
        $textRight = max([$textRight, ...array_map(static fn (array $line) => $line[1], $this->rules->across)]);
        $lines = array_values(
            array_filter($this->rules->across, static function (array $line) use ($frames, $ruled): bool {
                [$x1, $x2, $y] = $line;
                foreach ($frames as $frame) {
                    if (
                        min(abs($y - $frame->y), abs($y - $frame->y - $frame->height)) < 1.5 &&
                        $x1 < $frame->x + $frame->width - 2 &&
                        $x2 > $frame->x + 2
                    ) {
                        return false;
                    }
                }

                return $x2 - $x1 >= 18 && ! $ruled->underlines($x1, $x2, $y) && ! $ruled->isTopOfCell($line);
            }),
        );
        foreach ($lines as $line) {
            [$x1, $x2, $y] = $line;
            $wide = $x2 - $x1 > 0.82 * ($textRight - $textLeft);
            if (! $wide || $ruled->inStack($line, $lines) || $ruled->hasCaption($line) || $ruled->hasWordsBefore($line)) {
                $room = min(16.0, max(8.0, $y - $ruled->nextAbove($x1, $x2, $y)));
                $place = new Rect($x1, $y - $room + 1, $x2 - $x1, $room);
                $this->free($place) && ($this->places[] = new WritingPlace('line', $place, 'ruled line'));
            }
        }
    }

    private function free(Rect $place): bool
    {
        foreach ($this->places as $other) {
            if ($this->shares($place, $other->place)) {
                return false;
            }
        }

        return true;
    }

    private function shares(Rect $a, Rect $b): bool
    {
        $wide = min($a->x + $a->width, $b->x + $b->width) - max($a->x, $b->x);
        $high = min($a->y + $a->height, $b->y + $b->height) - max($a->y, $b->y);

        return $wide > 0 && $high > 0 && $wide * $high > 0.3 * min($a->width * $a->height, $b->width * $b->height);
    }
}
