<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * The words of a PDF's pages with their places.
 */
final class PageWords
{
    private const READABLE = 2.5;

    /**
     * @return array<int, list<Word>> by page, from 1
     *
     * @throws ToolFailed when the PDF cannot be read
     */
    public static function of(string $pdf, ?int $page = null): array
    {
        $html = (new NativeTool(30))->run([
            'pdftotext',
            '-bbox',
            '-cropbox',
            ...$page === null ? [] : ['-f', (string) $page, '-l', (string) $page],
            $pdf,
            '-',
        ]);
        $words = [];
        $number = ($page ?? 1) - 1;
        preg_match_all(
            '~<page |<word xMin="([-\d.]+)" yMin="([-\d.]+)" xMax="([-\d.]+)" yMax="([-\d.]+)">(.*?)</word>~',
            $html,
            $found,
            PREG_SET_ORDER | PREG_UNMATCHED_AS_NULL,
        );
        foreach ($found as $one) {
            if ($one[5] === null) {
                $words[++$number] = [];

                continue;
            }
            $text = html_entity_decode($one[5], ENT_QUOTES | ENT_HTML5);
            // Print smaller than anyone reads belongs to what made the PDF, not to the page.
            $text === '' ||
                (float) $one[4] - (float) $one[2] < self::READABLE ||
                ($words[$number][] = new Word(
                    $text,
                    (float) $one[1],
                    (float) $one[2],
                    (float) $one[3] - (float) $one[1],
                    (float) $one[4] - (float) $one[2],
                ));
        }

        return $words;
    }
}
