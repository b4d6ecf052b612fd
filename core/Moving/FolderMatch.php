<?php

declare(strict_types=1);

namespace Unanimus\Moving;

use Unanimus\Finding\Query;
use Unanimus\Terms\Address;

/** Which row of the list of files a folder, or a word in another list, belongs to. */
final class FolderMatch
{
    /** Words of a name that are looked at as an address together. */
    private const LONGEST = 8;

    /** @var array<string, array<string, list<int>>> rows by what they are known by, the surest kind first */
    private array $known = ['path' => [], 'folder' => [], 'listing' => [], 'street' => [], 'building' => []];

    /** @param  array<int, RowSigns>  $rows  by their number */
    public function __construct(array $rows)
    {
        foreach ($rows as $number => $signs) {
            $this->note('path', $signs->folder, $number);
            $this->note('folder', Query::plain(basename($signs->folder)), $number);
            $this->note('listing', $signs->listing, $number);
            $this->note('street', $signs->street, $number);
            $this->note('building', $signs->building, $number);
        }
    }

    /**
     * The row that is meant.
     *
     * @return list<int> one: that row; none: no row; several: any of them could be it
     */
    public function rows(string $named): array
    {
        $path = mb_strtolower(trim(str_replace('\\', '/', $named), " /\t"));
        $name = basename($path);
        $spans = self::spans(explode(' ', Query::plain($name)));
        $streets = array_map(static fn (string $span) => RowSigns::spelled(Address::parse($span)), $spans);
        $whole = RowSigns::spelled(Address::parse($name));
        $signs = ['path' => [$path], 'folder' => [Query::plain($name)], 'listing' => $spans, 'street' => [$whole, ...$streets]];
        foreach ($signs as $by => $all) {
            $rows = $this->all($by, $all);
            if ($rows !== []) {
                return $rows;
            }
        }

        return $this->all('building', [$whole, ...$streets]);
    }

    /**
     * Each folder's row: its own, or that of the folder it lies in.
     *
     * @param list<string> $folders
     * @param array<string, int> $byHand what a person said, 0 for none; goes before anything else
     * @return array<string, list<int>> as in rows()
     */
    public function folders(array $folders, array $byHand = []): array
    {
        $own = $found = [];
        foreach ($folders as $folder) {
            $rows = [];
            for ($at = $folder; $at !== '' && $at !== '.' && $rows === []; $at = dirname($at)) {
                $rows = $own[$at] ??= array_key_exists($at, $byHand) ? [$byHand[$at]] : $this->rows($at);
            }
            $found[$folder] = $rows === [0] ? [] : $rows;
        }

        return $found;
    }

    private function note(string $by, string $sign, int $number): void
    {
        $sign === '' || ($this->known[$by][$sign][] = $number);
    }

    /**
     * @param list<string> $signs
     * @return list<int>
     */
    private function all(string $by, array $signs): array
    {
        $rows = [];
        foreach ($signs as $sign) {
            $rows = [...$rows, ...$this->known[$by][$sign] ?? []];
        }

        return array_values(array_unique($rows));
    }

    /**
     * Every run of words.
     *
     * @param list<string> $words
     * @return list<string> the longest first
     */
    private static function spans(array $words): array
    {
        $spans = [];
        $count = count($words);
        for ($long = min(self::LONGEST, $count); $long > 0; $long--) {
            for ($at = 0; $at + $long <= $count; $at++) {
                $spans[] = implode(' ', array_slice($words, $at, $long));
            }
        }

        return $spans;
    }
}
