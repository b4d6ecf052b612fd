<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Something put over a printed page: a text, a tick, a date, a line through printed words, a cover over them.
 */
final readonly class LayerPiece
{
    /** How much of a word's height must be drawn over for it to be meant. */
    private const TOUCHED = 0.4;

    /** @param  non-empty-list<Rect>  $places one; for words on several lines one for each line */
    public function __construct(public LayerKind $kind, public int $page, public array $places, public string $text = '')
    {
    }

    /**
     * The places of a line-through or cover: the printed words that were drawn over, line by line; where there are none, what
     * was drawn.
     *
     * @param list<Word> $words of the page
     * @return non-empty-list<Rect>
     */
    public static function over(Rect $drawn, array $words): array
    {
        $lines = [];
        foreach ($words as $word) {
            $high = min($drawn->y + $drawn->height, $word->bottom()) - max($drawn->y, $word->y);
            $middle = $word->y + $word->height / 2;
            // A stroke through the middle of a word means it as well as a frame around it.
            $meant = $high >= self::TOUCHED * $word->height || ($drawn->y <= $middle && $drawn->y + $drawn->height >= $middle);
            if (! $meant || $word->x >= $drawn->x + $drawn->width || $word->right() <= $drawn->x) {
                continue;
            }
            $line = self::lineOf($lines, $middle, $word->height);
            $lines[$line][] = $word;
        }
        if ($lines === []) {
            return [$drawn];
        }
        ksort($lines);

        return array_values(
            array_map(static function (array $line): Rect {
                $left = min(array_map(static fn (Word $word) => $word->x, $line));
                $top = min(array_map(static fn (Word $word) => $word->y, $line));

                return new Rect(
                    $left,
                    $top,
                    max(1.0, max(array_map(static fn (Word $word) => $word->right(), $line)) - $left),
                    max(1.0, max(array_map(static fn (Word $word) => $word->bottom(), $line)) - $top),
                );
            }, $lines),
        );
    }

    /**
     * Draws pieces over their pages: covers first, so that what is written over one is seen.
     *
     * @param list<self> $pieces
     * @param array<int, Drawing> $drawings by page, from 1; drawn on where there is one
     * @param list<array{float, float}> $sizes of all pages
     * @return array<int, Drawing>
     */
    public static function draw(array $pieces, array $drawings, array $sizes): array
    {
        foreach ([true, false] as $covers) {
            foreach ($pieces as $piece) {
                if (($piece->kind === LayerKind::Cover) === $covers && isset($sizes[$piece->page - 1])) {
                    $piece->on($drawings[$piece->page] ??= new Drawing(...$sizes[$piece->page - 1]));
                }
            }
        }
        ksort($drawings);

        return $drawings;
    }

    /**
     * The line a word stands on, named by where its first word's middle is.
     *
     * @param array<int, list<Word>> $lines
     */
    private static function lineOf(array $lines, float $middle, float $height): int
    {
        foreach (array_keys($lines) as $line) {
            if (abs($line - $middle) < $height / 2) {
                return $line;
            }
        }

        return (int) round($middle);
    }

    private function on(Drawing $drawing): void
    {
        foreach ($this->places as $place) {
            match ($this->kind) {
                LayerKind::Text, LayerKind::Date => $drawing->entry(
                    $place,
                    $this->text,
                    str_contains($this->text, "\n") || $place->height > 26,
                ),
                LayerKind::Tick => $drawing->cross($place),
                LayerKind::Line => $drawing->line(
                    $place->x - 1,
                    $place->y + $place->height * 0.55,
                    $place->x + $place->width + 1,
                    $place->y + $place->height * 0.55,
                    1.1,
                    '#14261f',
                ),
                // Letters reach beyond the box that is told of them.
                LayerKind::Cover => $drawing->fill(
                    new Rect($place->x - 1.2, $place->y - 0.22 * $place->height, $place->width + 2.4, 1.36 * $place->height),
                ),
            };
        }
    }
}
