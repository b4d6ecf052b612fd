<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * What a field of a fillable PDF shows, drawn at its places as the field asks: size, side, cells, turned with the page.
 *
 * @internal to its area
 */
final class FieldDrawing
{
    private const LEAST = 4.0;

    /** Draws a written value at one of the field's places. */
    public static function text(Drawing $page, PdfField $field, PdfWidget $widget, string $text): void
    {
        if ($widget->place === null || $text === '') {
            return;
        }
        $across = $widget->turn % 180 === 0;
        $piece = new Drawing(
            $across ? $widget->place->width : $widget->place->height,
            $across ? $widget->place->height : $widget->place->width,
        );
        self::piece($piece, $field, $text);
        $page->piece(self::turned($piece->inner(), $widget));
    }

    /** Draws a written value on a piece of the size of its place, upright. */
    public static function piece(Drawing $piece, PdfField $field, string $text): void
    {
        $place = new Rect(0, 0, $piece->width, $piece->height);
        $text = $field->secret ? str_repeat('•', mb_strlen($text)) : $text;
        match (true) {
            $field->comb && $field->maxLength !== null => self::cells($piece, $place, $text, $field->maxLength, $field->size),
            $field->multiline => self::lines($piece, $place, $text, $field),
            default => self::line($piece, $place, $text, $field),
        };
    }

    /** Draws the tick of a place that has no picture of its own. */
    public static function tick(Drawing $page, PdfWidget $widget): void
    {
        $widget->place === null || $page->cross($widget->place);
    }

    private static function turned(string $inner, PdfWidget $widget): string
    {
        $place = $widget->place ?? throw new \LogicException('A field is drawn at a place.');
        [$x, $y] = match ($widget->turn) {
            90 => [$place->x + $place->width, $place->y],
            180 => [$place->x + $place->width, $place->y + $place->height],
            270 => [$place->x, $place->y + $place->height],
            default => [$place->x, $place->y],
        };

        return sprintf('<g transform="translate(%.2f %.2f) rotate(%d)">%s</g>', $x, $y, $widget->turn, $inner);
    }

    private static function line(Drawing $piece, Rect $place, string $text, PdfField $field): void
    {
        $text = (string) preg_replace('/\s*\n\s*/', ' ', $text);
        $size = $field->size > 0 ? $field->size : min(12.0, max(self::LEAST, $place->height * 0.68));
        $room = max(1.0, $place->width - 4);
        $wide = Typeface::width($text, $size);
        if ($wide > $room && ($size * $room) / $wide < 6.0) {
            self::set($piece, $place, $text, 6.0, $field->align);

            return;
        }
        $size = $wide > $room ? ($size * $room) / $wide : $size;
        $piece->text(
            self::start($place, Typeface::width($text, $size), $field->align),
            $place->y + ($place->height + $size * 0.72) / 2,
            $size,
            $text,
        );
    }

    private static function lines(Drawing $piece, Rect $place, string $text, PdfField $field): void
    {
        self::set($piece, $place, $text, $field->size > 0 ? $field->size : 10.0, $field->align);
    }

    private static function set(Drawing $piece, Rect $place, string $text, float $size, int $align): void
    {
        $room = max(1.0, $place->width - 4);
        $lines = Typeface::wrap($text, $size, $room);
        while ($size > self::LEAST && count($lines) * $size * 1.2 > $place->height) {
            $size -= 0.25;
            $lines = Typeface::wrap($text, $size, $room);
        }
        foreach ($lines as $index => $line) {
            $piece->text(
                self::start($place, Typeface::width($line, $size), $align),
                $place->y + 1 + $size * (0.95 + $index * 1.2),
                $size,
                $line,
            );
        }
    }

    private static function cells(Drawing $piece, Rect $place, string $text, int $count, float $size): void
    {
        $cell = $place->width / $count;
        $size = min($size > 0 ? $size : 12.0, $place->height * 0.8, $cell * 1.4);
        foreach (mb_str_split(mb_substr($text, 0, $count)) as $index => $character) {
            $piece->text(
                $place->x + $cell * ($index + 0.5) - Typeface::width($character, $size) / 2,
                $place->y + ($place->height + $size * 0.72) / 2,
                $size,
                $character,
            );
        }
    }

    private static function start(Rect $place, float $wide, int $align): float
    {
        return match ($align) {
            1 => $place->x + ($place->width - $wide) / 2,
            2 => $place->x + $place->width - 2 - $wide,
            default => $place->x + 2,
        };
    }
}
