<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Pages\Scratch;
use Unanimus\Pages\ToolFailed;

/**
 * A workbook (XLSX, ODS, XLS), whose first sheet is wanted as CSV.
 */
final class Workbook
{
    /** Comma, quotes where needed, UTF-8, from row 1, cells as they are shown, the first sheet alone. */
    private const CSV = 'csv:Text - txt - csv (StarCalc):44,34,76,1,,0,false,true,false,false,false,0';

    /** Whether these bytes are a workbook and not text. */
    public static function isOne(string $bytes): bool
    {
        return str_starts_with($bytes, "PK\x03\x04") || str_starts_with($bytes, "\xD0\xCF\x11\xE0");
    }

    /**
     * Text of its first sheet; what is no workbook stays as it is.
     *
     * @throws WorkbookUnreadable when it cannot be read; its message says what to do
     */
    public static function toCsv(string $bytes, ClosedOffice $office = new ClosedOffice()): string
    {
        if (! self::isOne($bytes)) {
            return $bytes;
        }
        if (! ClosedOffice::isPossible()) {
            throw new WorkbookUnreadable('Workbooks cannot be opened on this server. Save the sheet as CSV and upload that.');
        }
        $scratch = new Scratch();
        $path = $scratch->put('book', $bytes);
        try {
            $csv = $office->convert($path, self::name($bytes), self::CSV, 'book.csv');
        } catch (ToolFailed $failed) {
            throw new WorkbookUnreadable(
                'The server is too busy to open this workbook right now. Upload it again in a few minutes, or save the sheet as CSV.',
                previous: $failed,
            );
        }

        return $csv ?? throw new WorkbookUnreadable('This workbook could not be opened. Save the sheet as CSV and upload that.');
    }

    private static function name(string $bytes): string
    {
        return match (true) {
            str_starts_with($bytes, "\xD0") => 'book.xls',
            str_contains(substr($bytes, 0, 200), 'opendocument.spreadsheet') => 'book.ods',
            default => 'book.xlsx',
        };
    }
}
