<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * The sheet on top of papers put together: what they belong to, who put them together, and what is in them on which page.
 */
final class CoverSheet
{
    private const FIRST = 30;

    private const NEXT = 44;

    /** How many sheets that many papers need. */
    public static function count(int $papers): int
    {
        return $papers <= self::FIRST ? 1 : 1 + (int) ceil(($papers - self::FIRST) / self::NEXT);
    }

    /**
     * The sheets.
     *
     * @param list<string> $lines under the title
     * @param list<array{title: string, page: int, pages: int}> $papers with the page each begins on
     * @return non-empty-list<Drawing>
     */
    public static function draw(string $title, array $lines, array $papers): array
    {
        $sheet = (new Drawing(612, 792))->text(64, 96, 22, $title, weight: 'bold');
        $y = 118.0;
        foreach ($lines as $line) {
            foreach (Typeface::wrap($line, 10.5, 484) as $part) {
                $sheet->text(64, $y, 10.5, $part, fill: '#333333');
                $y += 15;
            }
        }
        $sheet->line(64, $y + 2, 548, $y + 2, 1.2, '#222222');
        $sheets = [$sheet];
        $y += 26;
        foreach ($papers as $index => $paper) {
            if ($index === self::FIRST || ($index > self::FIRST && ($index - self::FIRST) % self::NEXT === 0)) {
                $sheets[] = $sheet = new Drawing(612, 792);
                $y = 72.0;
            }
            $number = (string) $paper['page'];
            $sheet
                ->text(64, $y, 10, self::cut($paper['title'], 360))
                ->text(440, $y, 9, $paper['pages'] === 1 ? '1 page' : "{$paper['pages']} pages", fill: '#555555')
                ->text(548 - Typeface::width($number, 10), $y, 10, $number)
                ->line(64, $y + 4.5, 548, $y + 4.5, 0.4, '#bbbbaa');
            $y += 15.5;
        }

        return $sheets;
    }

    private static function cut(string $text, float $room): string
    {
        while (Typeface::width($text, 10) > $room) {
            $text = mb_substr($text, 0, -2).'…';
        }

        return $text;
    }
}
