<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/**
 * Counts the pages of a paper by what stands at their head or foot: "page 3 of 8".
 */
final class PageCheck
{
    private const HEAD = 90;

    private const FOOT = 160;

    private const MOST = 200;

    /**
     * Pages that are missing or there twice, in words.
     *
     * @param list<string> $texts of each page
     * @return list<string>
     */
    public static function of(array $texts): array
    {
        $seen = [];
        foreach ($texts as $text) {
            $numbered = self::number($text);
            if ($numbered !== null) {
                [$of, $page, $count] = $numbered;
                $seen["{$of}|{$count}"][$page] = ($seen["{$of}|{$count}"][$page] ?? 0) + 1;
            }
        }
        $found = [];
        foreach ($seen as $what => $pages) {
            [$of, $count] = explode('|', (string) $what);
            $name = $of === '' ? '' : "{$of}: ";
            $missing = array_values(array_diff(range(1, (int) $count), array_keys($pages)));
            $twice = array_keys(array_filter($pages, static fn (int $times) => $times > 1));
            $missing === [] ||
                ($found[] = $name.self::said($missing)." of {$count} ".(count($missing) === 1 ? 'is' : 'are').' missing.');
            $twice === [] ||
                ($found[] = $name.self::said($twice)." of {$count} ".(count($twice) === 1 ? 'is' : 'are').' in it more than once.');
        }

        return $found;
    }

    /**
     * The form, page and number of pages a page says of itself.
     *
     * @return array{string, int, int}|null
     */
    public static function number(string $text): ?array
    {
        $text = trim((string) preg_replace('/\s+/u', ' ', $text));
        foreach ([mb_substr($text, -self::FOOT), mb_substr($text, 0, self::HEAD)] as $edge) {
            if (preg_match_all('~\bpage\s+(\d{1,3})\s*(?:of|/)\s*(\d{1,3})\b~iu', $edge, $all, PREG_SET_ORDER) > 0) {
                $last = $all[count($all) - 1];
                [$page, $count] = [(int) $last[1], (int) $last[2]];
                if ($page >= 1 && $page <= $count && $count > 1 && $count <= self::MOST) {
                    return [preg_match('/\b([A-Z]{1,3}-\d{1,4})\s*·\s*rev\./u', $text, $m) === 1 ? $m[1] : '', $page, $count];
                }
            }
        }

        return null;
    }

    /** @param  list<int>  $pages */
    private static function said(array $pages): string
    {
        $runs = [];
        foreach ($pages as $page) {
            $last = array_key_last($runs);
            $last !== null && $runs[$last][1] === $page - 1 ? ($runs[$last][1] = $page) : ($runs[] = [$page, $page]);
        }
        $parts = array_map(static fn (array $run) => $run[0] === $run[1] ? (string) $run[0] : "{$run[0]} to {$run[1]}", $runs);
        $end = array_pop($parts);

        return (count($pages) === 1 ? 'Page ' : 'Pages ').($parts === [] ? $end : implode(', ', $parts)." and {$end}");
    }
}
