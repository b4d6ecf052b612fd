<?php

declare(strict_types=1);

namespace Unanimus\Review;

use Unanimus\Pages\Drawing;

/**
 * The record of review as pages: each paper that was asked for, how it was decided, by whom and when, with every remark.
 */
final class RecordPages
{
    private const TOP = 60.0;

    private const BOTTOM = 730.0;

    private const LEFT = 56.0;

    /** Signs to a line. */
    private const WIDTH = 92;

    /**
     * @param string $file what the file is called
     * @param list<array{title: string, stands: string, lines: list<string>}> $entries what was asked for, in order
     * @param string $title of the record
     * @return non-empty-list<Drawing> letter pages
     */
    public static function of(string $file, array $entries, string $title = 'Record of review'): array
    {
        $page = self::begin($title, $file);
        $pages = [$page];
        $y = self::TOP + 62;
        foreach ($entries as $entry) {
            $lines = [];
            foreach ($entry['lines'] as $line) {
                array_push($lines, ...explode("\n", wordwrap($line, self::WIDTH, "\n", true)));
            }
            // A paper and its first line stay together.
            if ($y + 34 > self::BOTTOM) {
                $pages[] = $page = self::begin('', $file);
                $y = self::TOP;
            }
            $page->text(self::LEFT, $y, 11, mb_strimwidth($entry['title'], 0, 62, '…'), weight: 'bold')
                ->text(400, $y, 11, $entry['stands']);
            $y += 15;
            foreach ($lines as $line) {
                if ($y > self::BOTTOM) {
                    $pages[] = $page = self::begin('', $file);
                    $y = self::TOP;
                }
                $page->text(self::LEFT + 10, $y, 9.5, $line);
                $y += 13;
            }
            $y += 9;
        }

        return $pages;
    }

    private static function begin(string $title, string $file): Drawing
    {
        $page = new Drawing(612, 792);
        $title === '' || $page
            ->text(self::LEFT, self::TOP + 10, 20, $title, weight: 'bold')
            ->text(self::LEFT, self::TOP + 30, 11, $file)
            ->line(self::LEFT, self::TOP + 40, 556, self::TOP + 40);

        return $page;
    }
}
