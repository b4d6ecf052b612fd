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

    /**
     * The paragraphs of each page in reading order, lines that belong together in one.
     *
     * @param string $pdf path
     * @return array<int, list<string>> by page, from 1; a page that is a picture has none
     *
     * @throws ToolFailed when the PDF cannot be read
     */
    public static function of(string $pdf): array
    {
        $text = (new NativeTool(30))->run(['pdftotext', '-enc', 'UTF-8', '-cropbox', $pdf, '-']);
        $pages = [];
        // Each page ends with a form feed, the last one too.
        foreach (array_slice(explode("\f", $text), 0, -1) as $index => $page) {
            $pages[$index + 1] = self::paragraphs($page);
        }

        return $pages;
    }

    /** @return list<string> */
    private static function paragraphs(string $page): array
    {
        $paragraphs = [];
        $current = '';
        foreach ([...explode("\n", $page), ''] as $line) {
            $line = trim(PlainText::of($line));
            if ($current !== '' && ($line === '' || preg_match(self::BEGINS, $line) === 1)) {
                $paragraphs[] = $current;
                $current = '';
            }
            $current = $current === '' ? $line : "{$current} {$line}";
        }

        return $paragraphs;
    }
}
