<?php

declare(strict_types=1);

namespace Unanimus\Exchange;

/**
 * Cells as they may go out in a table: one that begins like a formula is not let loose in a spreadsheet.
 *
 * @link https://www.rfc-editor.org/rfc/rfc4180 CSV says nothing of formulas; programs that open it compute them
 */
final class CsvCells
{
    /**
     * @param list<string|int|float|null> $cells
     * @return list<string>
     */
    public static function safe(array $cells): array
    {
        return array_map(
            static fn (string|int|float|null $cell): string => is_string($cell) &&
            preg_match('/^\s*[=+\-@\t\r|%]/', $cell) === 1 &&
            ! is_numeric(str_replace([',', '$'], '', $cell))
                ? "'{$cell}"
                : (string) $cell,
            $cells,
        );
    }
}
