<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * What is drawn over one page, as SVG in points: the same drawing is shown on the screen and printed over the page.
 */
final class Drawing
{
    private const SMALLEST = 3.0;

    /** @var list<string> */
    private array $parts = [];

    /** Over a page of that size in points. */
    public function __construct(public readonly float $width, public readonly float $height)
    {
    }

    /** Whether nothing has been drawn. */
    public function isEmpty(): bool
    {
        return $this->parts === [];
    }

    /** A text fitted into its place: one line, smaller when long, several lines when it would become too small. */
    public function entry(Rect $place, string $text, bool $lines = false): self
    {
        $size = $lines ? 9.0 : min(10.0, $place->height * 0.78);
        $room = $place->width - 3;
        $set = [$text];
        if (! $lines && ($wide = Typeface::width($text, $size)) > $room) {
            $size = max(6.0, ($size * $room) / $wide);
        }
        // Under six points a line goes to two, then smaller: nothing that was entered is left out of the print.
        if ($lines || Typeface::width($text, $size) > $room + 0.01) {
            $set = Typeface::wrap($text, $size, $room);
            while ($size > self::SMALLEST && count($set) * $size * 1.2 > $place->height + 1) {
                $size -= 0.25;
                $set = Typeface::wrap($text, $size, $room);
            }
        }
        $lead = $size * 1.2;
        $y = $lines ? $place->y + $size : $place->y + $place->height - 2.6 - (count($set) - 1) * $lead;
        foreach ($set as $index => $line) {
            $this->text($place->x + 1.5, $y + $index * $lead, $size, $line);
        }

        return $this;
    }

    /** Whether a text can be set in its place so that it can still be read, at least in that size. */
    public static function fits(Rect $place, string $text, bool $lines, float $least): bool
    {
        $room = $place->width - 3;
        if (! $lines && Typeface::width($text, $least) <= $room) {
            return true;
        }

        return count(Typeface::wrap($text, $least, $room)) * $least * 1.2 <= $place->height + 1;
    }

    /** A cross filling a box to tick. */
    public function cross(Rect $place): self
    {
        $in = min($place->width, $place->height) * 0.2;
        [$x1, $y1, $x2, $y2] = [$place->x + $in, $place->y + $in, $place->x + $place->width - $in, $place->y + $place->height - $in];
        $this->parts[] = sprintf(
            '<path d="M%.2f %.2fL%.2f %.2fM%.2f %.2fL%.2f %.2f" stroke="#14261f" stroke-width="1.5" fill="none"/>',
            $x1,
            $y1,
            $x2,
            $y2,
            $x2,
            $y1,
            $x1,
            $y2,
        );

        return $this;
    }

    /** A text with its baseline there. */
    public function text(
        float $x,
        float $y,
        float $size,
        string $text,
        string $family = Typeface::FAMILY,
        string $fill = '#14261f',
        string $weight = 'normal',
    ): self {
        $text = PlainText::of($text);
        if ($text !== '') {
            $this->parts[] = sprintf(
                '<text x="%.2f" y="%.2f" font-size="%.2f" font-family="%s" font-weight="%s" fill="%s" xml:space="preserve">%s</text>',
                $x,
                $y,
                $size,
                htmlspecialchars($family, ENT_QUOTES | ENT_XML1),
                $weight,
                $fill,
                htmlspecialchars($text, ENT_QUOTES | ENT_XML1 | ENT_SUBSTITUTE),
            );
        }

        return $this;
    }

    /** A straight line. */
    public function line(float $x1, float $y1, float $x2, float $y2, float $stroke = 0.6, string $color = '#8a917f'): self
    {
        $this->parts[] = sprintf('<path d="M%.2f %.2fL%.2f %.2f" stroke="%s" stroke-width="%.2f"/>', $x1, $y1, $x2, $y2, $color, $stroke);

        return $this;
    }

    /** White over a place. */
    public function fill(Rect $place, string $color = '#ffffff'): self
    {
        $this->parts[] = sprintf(
            '<rect x="%.2f" y="%.2f" width="%.2f" height="%.2f" fill="%s"/>',
            $place->x,
            $place->y,
            $place->width,
            $place->height,
            $color,
        );

        return $this;
    }

    /** A finished piece of SVG, as the signature faces draw it. */
    public function piece(string $svg): self
    {
        $this->parts[] = $svg;

        return $this;
    }

    /** The same over a page of another size in points. */
    public function scaledTo(float $width, float $height): self
    {
        $scaled = new self($width, $height);
        $scaled->parts[] = sprintf(
            '<g transform="scale(%.5F %.5F)">%s</g>',
            $width / $this->width,
            $height / $this->height,
            $this->inner(),
        );

        return $scaled;
    }

    /** What is drawn, without the frame around it. */
    public function inner(): string
    {
        return implode('', $this->parts);
    }

    /** The whole as an SVG document. */
    public function svg(): string
    {
        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%1$.2fpt" height="%2$.2fpt" viewBox="0 0 %1$.2f %2$.2f">%3$s</svg>',
            $this->width,
            $this->height,
            $this->inner(),
        );
    }
}
