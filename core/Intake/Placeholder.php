<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Finding\Query;

/**
 * Finds which expected paper has arrived: by its name in the file's name, or by its title at the head of the first page.
 */
final class Placeholder
{
    private const FORM = '/\b([A-Z]{1,3}-\d{1,4})\s*·\s*rev\./u';

    private const HEAD = 700;

    /** Words too common to tell one paper from another. */
    private const COMMON = ['and', 'of', 'the', 'for', 'from', 'to', 'a', 'in', 'or'];

    /**
     * The key of the row a file seems to belong to: the one on the form its first page names, or the one it is called after.
     *
     * @param array<string, string> $titles by key
     * @param array<string, string> $forms numbers of the forms rows are on, by key
     * @param string $name the file's name
     * @param string $text what the first page says, from its top
     */
    public static function row(array $titles, array $forms, string $name, string $text): ?string
    {
        if (preg_match_all(self::FORM, $text, $m) > 0) {
            $on = array_keys($forms, (string) end($m[1]), true);
            if (count($on) === 1) {
                return (string) $on[0];
            }
        }

        return self::thatFits($titles, $name, $text);
    }

    /**
     * The key of the one expected paper that fits; null when none or several do.
     *
     * @param array<string, string> $expected titles, by key
     * @param string $name the file's name
     * @param string $text what the first page says, from its top
     */
    public static function thatFits(array $expected, string $name, string $text): ?string
    {
        $inName = ' '.Query::plain(pathinfo($name, PATHINFO_FILENAME)).' ';
        $head = ' '.Query::plain(mb_substr($text, 0, self::HEAD)).' ';
        $fits = [];
        foreach ($expected as $key => $title) {
            $words = array_diff(explode(' ', Query::plain($title)), self::COMMON);
            $named = $words !== [] && array_filter($words, static fn (string $word) => ! str_contains($inName, $word)) === [];
            if ($named || str_contains($head, ' '.Query::plain($title).' ')) {
                $fits[(string) $key] = count($words);
            }
        }
        arsort($fits);
        $keys = array_keys($fits);
        // "Closing statement copy" is the closing statement's copy, not the closing statement.
        $clear = count($keys) === 1 || (count($keys) > 1 && $fits[$keys[0]] > $fits[$keys[1]]);

        return $clear ? (string) $keys[0] : null;
    }
}
