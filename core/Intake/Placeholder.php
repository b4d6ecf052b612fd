<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Finding\Query;

/**
 * Finds which expected paper has arrived: by its name in the file's name, or by its title at the head of the first page.
 */
final class Placeholder
{
    private const HEAD = 700;

    /** Words too common to tell one paper from another. */
    private const COMMON = ['and', 'of', 'the', 'for', 'from', 'to', 'a', 'in', 'or'];

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
