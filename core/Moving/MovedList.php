<?php

declare(strict_types=1);

namespace Unanimus\Moving;

use Unanimus\Exchange\Sheet;
use Unanimus\Exchange\SheetUnreadable;
use Unanimus\Finding\Query;

/** A list that came along, its columns known by their headings. */
final readonly class MovedList
{
    /** @param  array<int, array<string, string>>  $rows  what each holds, by the line it begins in */
    private function __construct(public ListKind $kind, public array $rows)
    {
    }

    /**
     * Reads a list.
     *
     * @throws SheetUnreadable when it is none, or lacks a column; its message says which
     */
    public static function read(ListKind $kind, string $csv): self
    {
        $sheet = Sheet::read($csv, Parcel::MOST);
        $columns = self::columns($kind, $sheet->headings);
        foreach ($kind->needs() as $needed) {
            if (! in_array($needed, $columns, true)) {
                $words = $kind->columns()[$needed];
                throw new SheetUnreadable("It has no column “{$words[0]}”. Name one so.");
            }
        }
        $rows = [];
        foreach ($sheet->rows as $line => $cells) {
            $row = array_fill_keys(array_keys($kind->columns()), '');
            foreach ($columns as $at => $what) {
                $row[$what] = trim($cells[$at] ?? '');
            }
            implode('', $row) === '' || ($rows[$line] = $row);
        }

        return new self($kind, $rows);
    }

    /**
     * @param list<string> $headings
     * @return array<int, string> what each column holds; those that hold nothing known are left out
     */
    private static function columns(ListKind $kind, array $headings): array
    {
        $plain = array_map(Query::plain(...), $headings);
        $found = [];
        foreach ($kind->columns() as $what => $words) {
            foreach ($words as $word) {
                $at = array_search($word, array_diff_key($plain, $found), true);
                if ($at !== false) {
                    $found[(int) $at] = $what;
                    break;
                }
            }
        }

        return $found;
    }
}
