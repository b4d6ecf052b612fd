<?php

declare(strict_types=1);

namespace Unanimus\Roster;

/**
 * People as they stand in a spreadsheet or are typed one on a line: name, email address, role, office, in whatever order, parted by
 * tabs, commas or semicolons.
 */
final class PeopleList
{
    public const MOST = 300;

    /** What roles are called elsewhere. */
    private const ROLES = [
        'agent' => 'agent',
        'realty agent' => 'agent',
        'sales agent' => 'agent',
        'salesperson' => 'agent',
        'licensee' => 'agent',
        'coordinator' => 'coordinator',
        'transaction coordinator' => 'coordinator',
        'tc' => 'coordinator',
        'broker' => 'broker',
        'managing broker' => 'broker',
        'bookkeeper' => 'bookkeeper',
        'accountant' => 'bookkeeper',
        'administrator' => 'administrator',
        'admin' => 'administrator',
    ];

    /** The role that a word means; null when it means none. */
    public static function role(string $word): ?string
    {
        return self::ROLES[self::plain($word)] ?? null;
    }

    /**
     * The people of a list; empty lines and a line of headings are none.
     *
     * @param list<string> $offices names that may stand in it
     * @return list<ListedPerson>
     */
    public static function read(string $text, array $offices = []): array
    {
        $names = array_combine(array_map(self::plain(...), $offices), $offices);
        $people = [];
        foreach (preg_split('/\R/u', $text) ?: [] as $line) {
            $cells = array_values(array_filter(array_map(self::cell(...), self::cells($line)), static fn (string $one) => $one !== ''));
            if ($cells !== [] && ! self::isHeading($cells)) {
                $people[] = self::person(trim($line), $cells, $names);
            }
        }

        return array_slice($people, 0, self::MOST);
    }

    /**
     * @param list<string> $cells
     * @param array<string, string> $offices
     */
    private static function person(string $line, array $cells, array $offices): ListedPerson
    {
        $email = $role = $office = '';
        $rest = [];
        foreach ($cells as $cell) {
            if ($email === '' && preg_match('/([^\s<>]+@[^\s<>]+)/', $cell, $m) === 1) {
                $email = $m[1];
                // "Odile Marchetti <odile@fernhollow.example>"
                $rest[] = trim((string) preg_replace('/<?[^\s<>]+@[^\s<>]+>?/', '', $cell));
            } elseif ($role === '' && self::role($cell) !== null) {
                $role = (string) self::role($cell);
            } elseif ($office === '' && isset($offices[self::plain($cell)])) {
                $office = $offices[self::plain($cell)];
            } else {
                $rest[] = $cell;
            }
        }

        return new ListedPerson($line, trim(implode(' ', array_filter($rest))), $email, $role, $office);
    }

    /** @return list<string> */
    private static function cells(string $line): array
    {
        foreach (["\t", ';'] as $mark) {
            if (str_contains($line, $mark)) {
                return explode($mark, $line);
            }
        }

        return array_map(strval(...), str_getcsv($line, escape: ''));
    }

    private static function cell(string $cell): string
    {
        return trim($cell, " \u{a0}\"'");
    }

    /** @param  list<string>  $cells */
    private static function isHeading(array $cells): bool
    {
        return preg_grep('/^(?:e-?mail(?: address)?|mail)$/i', $cells) !== [];
    }

    private static function plain(string $word): string
    {
        return trim((string) preg_replace('/[\s_-]+/u', ' ', mb_strtolower($word)));
    }
}
