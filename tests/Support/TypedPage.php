<?php

declare(strict_types=1);

namespace Tests\Support;

use Unanimus\Pages\Word;

/** The words of a page as typed on a machine: five points a letter, fourteen a line. */
final class TypedPage
{
    /** @return list<Word> */
    public static function words(string $text): array
    {
        $words = [];
        foreach (explode("\n", $text) as $row => $line) {
            preg_match_all('/\S+/u', $line, $found, PREG_OFFSET_CAPTURE);
            foreach ($found[0] as [$word, $at]) {
                $words[] = new Word($word, 50 + 5.0 * mb_strlen(substr($line, 0, $at)), 80 + 14.0 * $row, 5.0 * mb_strlen($word), 10);
            }
        }

        return $words;
    }
}
