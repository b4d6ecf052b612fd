<?php

declare(strict_types=1);

namespace Unanimus\Finding;

/** Where a paper says what was looked for: the page, and the words around it as they stand there. */
final readonly class Excerpt
{
    /** Words that are shown before and behind what was found. */
    private const AROUND = 5;

    private function __construct(public int $page, public string $text)
    {
    }

    /**
     * The first place where the phrase stands; letters are compared as a query compares them.
     *
     * @param array<int, string> $pages what each page says, by its number from 1
     * @param string $phrase plain, as from {@see Query::plain()}; its last word may go on
     */
    public static function of(array $pages, string $phrase): ?self
    {
        if ($phrase === '') {
            return null;
        }
        foreach ($pages as $page => $text) {
            $at = strpos(Query::plain($text), $phrase);
            if ($at !== false) {
                return new self($page, self::around($text, $at, $phrase));
            }
        }

        return null;
    }

    /** The words of a text that hold a span of what it is when plain. */
    private static function around(string $text, int $at, string $phrase): string
    {
        $words = preg_split('/\s+/u', trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $plain = 0;
        $first = $last = null;
        foreach ($words as $index => $word) {
            $bare = Query::plain($word);
            if ($bare === '') {
                continue;
            }
            $ends = $plain + strlen($bare);
            if ($ends > $at && $first === null) {
                $first = $index;
            }
            if ($plain < $at + strlen($phrase)) {
                $last = $index;
            }
            $plain = $ends + 1;
        }
        $from = max(0, ($first ?? 0) - self::AROUND);
        $to = min(count($words) - 1, ($last ?? 0) + self::AROUND);

        return ($from > 0 ? '… ' : '').implode(' ', array_slice($words, $from, $to - $from + 1)).($to < count($words) - 1 ? ' …' : '');
    }
}
