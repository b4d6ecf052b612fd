<?php

declare(strict_types=1);

namespace Unanimus\Exchange;

use Unanimus\Pages\PlainText;

/**
 * A table of a spreadsheet, as CSV from wherever it comes: with byte order mark or without, UTF-8, UTF-16 or Windows
 * letters, commas, semicolons or tabs, any line ends.
 *
 * @link https://www.rfc-editor.org/rfc/rfc4180 CSV
 */
final readonly class Sheet
{
    /** The largest table that is taken. */
    public const MOST_ROWS = 5000;

    public const MOST_COLUMNS = 80;

    public const MOST_BYTES = 8_000_000;

    /**
     * @param list<string> $headings
     * @param array<int, list<string>> $rows by the line of the file they begin in
     * @param list<string> $warnings what to look at, with the lines it is about
     */
    private function __construct(public array $headings, public array $rows, public array $warnings)
    {
    }

    /**
     * Reads a table.
     *
     * @param int $mostRows rows that are taken in one go
     *
     * @throws SheetUnreadable when it is none, or too large; its message says what to do
     */
    public static function read(string $bytes, int $mostRows = self::MOST_ROWS): self
    {
        if (strlen($bytes) > self::MOST_BYTES) {
            throw new SheetUnreadable('This spreadsheet is larger than 8 MB. Upload it as several parts.');
        }
        if (str_starts_with($bytes, "PK\x03\x04") || str_starts_with($bytes, "\xD0\xCF\x11\xE0")) {
            throw new SheetUnreadable('This is a workbook. Save the sheet as CSV first, then upload that.');
        }
        $text = self::letters($bytes);
        if (str_contains($text, "\0")) {
            throw new SheetUnreadable('This is no table of text. Save the sheet as CSV and upload that.');
        }
        $text = str_replace(["\r\n", "\r"], "\n", $text);
        $separator = null;
        $skipped = 0;
        if (preg_match('/^"?sep=(.)"?\n/', $text, $m) === 1) {
            [$separator, $text, $skipped] = [$m[1], substr($text, strlen($m[0])), 1];
        }
        $records = array_filter(
            self::records($text, $separator ?? self::separator($text), $skipped),
            static fn (array $cells) => implode('', $cells) !== '',
        );
        if (count($records) < 2) {
            throw new SheetUnreadable('This spreadsheet has no rows. The first row names the columns. Each row after it is a file.');
        }
        $first = array_key_first($records);
        $headings = $records[$first];
        unset($records[$first]);
        if (count($headings) > self::MOST_COLUMNS || count($records) > $mostRows) {
            throw new SheetUnreadable(
                sprintf(
                    'This table is too large: at most %d columns and %s rows in one go.',
                    self::MOST_COLUMNS,
                    number_format($mostRows),
                ),
            );
        }
        $rows = $short = $long = [];
        foreach ($records as $line => $cells) {
            count($cells) < count($headings) && ($short[] = $line);
            count($cells) > count($headings) && ($long[] = $line);
            $rows[$line] = array_pad($cells, count($headings), '');
        }
        $count = count($headings);
        $warnings = array_values(
            array_filter([
                $short === [] ? '' : self::lines($short)." fewer cells than the {$count} columns. The missing ones count as empty.",
                $long === []
                    ? ''
                    : self::lines($long).
                        " more cells than the {$count} columns, perhaps a separator that is not in quotes. What is over is kept with the ".
                            'row and not used.',
            ]),
        );

        return new self(
            array_map(
                static fn (string $heading, int $at) => $heading === '' ? 'Column '.($at + 1) : $heading,
                $headings,
                array_keys($headings),
            ),
            $rows,
            $warnings,
        );
    }

    /** @param  non-empty-list<int>  $lines */
    private static function lines(array $lines): string
    {
        $shown = implode(', ', array_slice($lines, 0, 8)).(count($lines) > 8 ? ' and '.(count($lines) - 8).' more' : '');

        return count($lines) === 1 ? "Line {$shown} has" : "Lines {$shown} have";
    }

    private static function letters(string $bytes): string
    {
        return match (true) {
            str_starts_with($bytes, "\xEF\xBB\xBF") => mb_check_encoding(substr($bytes, 3), 'UTF-8')
                ? substr($bytes, 3)
                : self::windows(substr($bytes, 3)),
            str_starts_with($bytes, "\xFF\xFE") => mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16LE'),
            str_starts_with($bytes, "\xFE\xFF") => mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16BE'),
            mb_check_encoding($bytes, 'UTF-8') => $bytes,
            default => self::windows($bytes),
        };
    }

    /**
     * Letters of Windows, unless the file is UTF-8 that has been broken somewhere.
     *
     * @throws SheetUnreadable naming the lines that are broken
     */
    private static function windows(string $bytes): string
    {
        // Two or three bytes that go together by accident are rare; a file with many of them is UTF-8.
        $together = preg_match_all('/[\xC3-\xDF][\x80-\xBF]|[\xE1-\xEF][\x80-\xBF]{2}/', $bytes);
        if ($together === 0) {
            return mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252');
        }
        $broken = [];
        foreach (preg_split('/\r\n|\r|\n/', $bytes) ?: [] as $index => $line) {
            mb_check_encoding($line, 'UTF-8') || ($broken[] = $index + 1);
        }
        throw new SheetUnreadable(
            self::lines($broken === [] ? [1] : $broken).
                ' letters that cannot be read, and would come out garbled. Save the sheet again as “CSV UTF-8” and upload that.',
        );
    }

    /** The separator that parts the first line into most cells; quoted cells do not count. */
    private static function separator(string $text): string
    {
        $line = (string) preg_replace('/"(?:[^"]|"")*"/', '', explode("\n", ltrim($text), 2)[0]);
        $counts = array_map(static fn (string $separator) => substr_count($line, $separator), [
            ',' => ',',
            ';' => ';',
            "\t" => "\t",
            '|' => '|',
        ]);
        arsort($counts);

        return (string) array_key_first($counts);
    }

    /**
     * The records, by the line each begins in.
     *
     * @return array<int, list<string>>
     *
     * @throws SheetUnreadable when a quote begins and never ends
     */
    private static function records(string $text, string $separator, int $skipped): array
    {
        $records = [];
        $line = $skipped + 1;
        $at = 0;
        $length = strlen($text);
        while ($at < $length) {
            $begins = $line;
            $cells = [];
            do {
                [$cell, $at, $line, $ended] = self::cell($text, $at, $line, $separator);
                $cells[] = trim((string) preg_replace('/[\x{00}-\x{08}\x{0B}-\x{1F}\x{7F}]|\x{00A0}/u', ' ', PlainText::of($cell)));
            } while (! $ended);
            $records[$begins] = $cells;
        }

        return $records;
    }

    /**
     * One cell (RFC 4180, section 2), and whether its record ends with it.
     *
     * @return array{string, int, int, bool}
     */
    private static function cell(string $text, int $at, int $line, string $separator): array
    {
        $quoted = ($text[$at] ?? '') === '"';
        $cell = '';
        if ($quoted) {
            $begins = $line;
            do {
                $end = strpos($text, '"', $at + 1);
                if ($end === false) {
                    throw new SheetUnreadable(
                        "A quote that begins in line {$begins} never ends; all that follows would be taken for one cell. Close it, or ".
                            'take it out, and upload the table again.',
                    );
                }
                $piece = substr($text, $at + 1, $end - $at - 1);
                $line += substr_count($piece, "\n");
                $cell .= $piece;
                $doubled = ($text[$end + 1] ?? '') === '"';
                $cell .= $doubled ? '"' : '';
                $at = $end + ($doubled ? 1 : 0);
            } while ($doubled);
            $at++;
        }
        // Up to the separator or the end of the line; a quote in the middle of a cell is a letter like any other.
        $rest = strcspn($text, $separator."\n", $at);
        $cell .= substr($text, $at, $rest);
        $at += $rest;
        $ended = ! isset($text[$at]) || $text[$at] === "\n";
        $ended && isset($text[$at]) && $line++;

        return [$cell, $at + 1, $line, $ended];
    }
}
