<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * Files that older mail programs write into the words of a letter: "begin 644 deed.pdf", lines of letters, "end".
 *
 * @internal to its area
 *
 * @link https://pubs.opengroup.org/onlinepubs/9699919799/utilities/uuencode.html the historical algorithm
 */
final class UuencodedFiles
{
    private const BEGIN = '/^begin [0-7]{3,4} (\S.{0,200})$/';

    /**
     * What the words say without them, and what they are.
     *
     * @return array{string, list<array{string, string}>} the words; name and bytes of each file
     */
    public static function takenOut(string $words): array
    {
        if (! str_contains($words, 'begin ')) {
            return [$words, []];
        }
        $lines = preg_split('/\r\n|\n|\r/', $words) ?: [];
        $left = $files = [];
        for ($at = 0, $count = count($lines); $at < $count; $at++) {
            $end = preg_match(self::BEGIN, $lines[$at], $m) === 1 ? self::endOf($lines, $at + 1) : null;
            if ($end === null) {
                $left[] = $lines[$at];

                continue;
            }
            $files[] = [trim($m[1]), self::decoded(array_slice($lines, $at + 1, $end - $at - 1))];
            $at = $end;
        }

        return [implode("\n", $left), $files];
    }

    /**
     * The line that says "end", where all before it are of a file; null where they are words.
     *
     * @param list<string> $lines
     */
    private static function endOf(array $lines, int $from): ?int
    {
        for ($at = $from; isset($lines[$at]); $at++) {
            if (rtrim($lines[$at]) === 'end') {
                return $at > $from ? $at : null;
            }
            if (preg_match('/^[\x20-\x60]{0,86}$/D', $lines[$at]) !== 1) {
                return null;
            }
        }

        return null;
    }

    /** @param  list<string>  $lines */
    private static function decoded(array $lines): string
    {
        $bytes = '';
        foreach ($lines as $line) {
            $long = $line === '' ? 0 : (ord($line[0]) - 32) & 63;
            if ($long === 0) {
                break;
            }
            // Blanks at the end of a line are easily lost on the way.
            $bytes .= substr((string) convert_uudecode(str_pad($line, 1 + 4 * (int) ceil($long / 3))."\n`\n"), 0, $long);
        }

        return $bytes;
    }
}
