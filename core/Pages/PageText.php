<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * What stands on a PDF's pages as running text, for whoever listens to it instead of looking.
 */
final class PageText
{
    /** A mark of a list or the number of a section, with which a paragraph begins. */
    private const BEGINS = '/^(?:\d{1,2}[.)]|[a-z][.)]|[•·–☐☒])\s/u';

    /** A gap between lines, in heights of a line, that parts paragraphs. */
    private const GAP = 1.1;

    /**
     * The paragraphs of each page from top to bottom, lines that belong together in one.
     *
     * @param string $pdf path
     * @param array<int, list<Word>> $also words that are on a page without being printed, such as what an empty blank is for
     * @return array<int, list<string>> by page, from 1; a page that is a picture has none
     *
     * @throws ToolFailed when the PDF cannot be read
     */
    public static function of(string $pdf, array $also = []): array
    {
        $pages = [];
        foreach (PageWords::of($pdf) as $page => $words) {
            $pages[$page] = self::paragraphs(self::lines([...$words, ...$also[$page] ?? []]));
        }

        return $pages;
    }

    /**
     * @param list<Word> $words
     * @return list<non-empty-list<Word>> lines from top to bottom, each from left to right
     */
    private static function lines(array $words): array
    {
        usort($words, static fn (Word $a, Word $b) => $a->y + $a->height / 2 <=> $b->y + $b->height / 2);
        $lines = [];
        $line = [];
        foreach ($words as $word) {
            $first = $line[0] ?? null;
            if (
                $first !== null &&
                $line !== [] &&
                abs($word->y + $word->height / 2 - $first->y - $first->height / 2) > max(2.0, min($first->height, $word->height) * 0.45)
            ) {
                $lines[] = $line;
                $line = [];
            }
            $line[] = $word;
        }
        $line === [] || ($lines[] = $line);

        return array_map(static function (array $one): array {
            usort($one, static fn (Word $a, Word $b) => $a->x <=> $b->x);

            return $one;
        }, $lines);
    }

    /**
     * @param list<non-empty-list<Word>> $lines
     * @return list<string>
     */
    private static function paragraphs(array $lines): array
    {
        $paragraphs = [];
        $current = '';
        [$bottom, $height] = [0.0, 0.0];
        foreach ($lines as $line) {
            $text = trim(PlainText::of(implode(' ', array_map(static fn (Word $word) => $word->text, $line))));
            $top = min(array_map(static fn (Word $word) => $word->y, $line));
            $tall = max(array_map(static fn (Word $word) => $word->height, $line));
            $parts =
                $top - $bottom > self::GAP * min($tall, $height) ||
                abs($tall - $height) > 0.2 * $height ||
                preg_match(self::BEGINS, $text) === 1;
            if ($current !== '' && $parts) {
                $paragraphs[] = $current;
                $current = '';
            }
            $current = trim("{$current} {$text}");
            $bottom = max(array_map(static fn (Word $word) => $word->y + $word->height, $line));
            $height = $tall;
        }
        $current === '' || ($paragraphs[] = $current);

        return $paragraphs;
    }
}
