<?php

declare(strict_types=1);

namespace Unanimus\Exchange;

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
     * @param array<int, list<string>> $rows by their number in the table, the headings being 1
     */
    private function __construct(public array $headings, public array $rows)
    {
    }

    /**
     * Reads a table.
     *
     * @throws SheetUnreadable when it is none, or too large; its message says what to do
     */
    public static function read(string $bytes): self
    {
        if (strlen($bytes) > self::MOST_BYTES) {
            throw new SheetUnreadable('This table is larger than 8 MB. Bring it in as several parts.');
        }
        if (str_starts_with($bytes, "PK\x03\x04") || str_starts_with($bytes, "\xD0\xCF\x11\xE0")) {
            throw new SheetUnreadable('This is a workbook. Save the sheet as CSV first, then bring that in.');
        }
        $text = self::letters($bytes);
        if (str_contains($text, "\0")) {
            throw new SheetUnreadable('This is no table of text. Save the sheet as CSV and bring that in.');
        }
        $text = str_replace(["\r\n", "\r"], "\n", $text);
        $separator = null;
        if (preg_match('/^"?sep=(.)"?\n/', $text, $m) === 1) {
            [$separator, $text] = [$m[1], substr($text, strlen($m[0]))];
        }
        $records = self::records($text, $separator ?? self::separator($text));
        $first = array_key_first(array_filter($records, static fn (array $cells) => implode('', $cells) !== ''));
        if ($first === null || count($records) < 2) {
            throw new SheetUnreadable('This table has no rows. Its first line names the columns; each further line is a file.');
        }
        $headings = $records[$first];
        if (count($headings) > self::MOST_COLUMNS || count($records) - $first > self::MOST_ROWS + 1) {
            throw new SheetUnreadable(sprintf('This table is too large: at most %d columns and %s rows in one go.', self::MOST_COLUMNS, number_format(self::MOST_ROWS)));
        }
        $rows = [];
        foreach (array_slice($records, $first + 1, null, true) as $number => $cells) {
            if (implode('', $cells) !== '') {
                $rows[$number + 1] = array_slice(array_pad($cells, count($headings), ''), 0, max(count($headings), count($cells)));
            }
        }

        return new self(array_map(static fn (string $heading, int $at) => $heading === '' ? 'Column '.($at + 1) : $heading, $headings, array_keys($headings)), $rows);
    }

    private static function letters(string $bytes): string
    {
        return match (true) {
            str_starts_with($bytes, "\xEF\xBB\xBF") => mb_scrub(substr($bytes, 3)),
            str_starts_with($bytes, "\xFF\xFE") => mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16LE'),
            str_starts_with($bytes, "\xFE\xFF") => mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16BE'),
            mb_check_encoding($bytes, 'UTF-8') => $bytes,
            default => mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252'),
        };
    }

    /** The separator that parts the first line into most cells; quoted cells do not count. */
    private static function separator(string $text): string
    {
        $line = (string) preg_replace('/"(?:[^"]|"")*"/', '', explode("\n", ltrim($text), 2)[0]);
        $counts = array_map(static fn (string $separator) => substr_count($line, $separator), [',' => ',', ';' => ';', "\t" => "\t", '|' => '|']);
        arsort($counts);

        return (string) array_key_first($counts);
    }

    /** @return list<list<string>> */
    private static function records(string $text, string $separator): array
    {
        $stream = fopen('php://memory', 'w+b') ?: throw new SheetUnreadable('The table could not be read.');
        fwrite($stream, $text);
        rewind($stream);
        $records = [];
        while (($cells = fgetcsv($stream, null, $separator, '"', '')) !== false) {
            $records[] = array_map(static fn (?string $cell) => trim((string) preg_replace('/[\x00-\x08\x0B-\x1F\x7F]|\x{00A0}/u', ' ', (string) $cell)), $cells);
        }
        fclose($stream);

        return $records;
    }
}
