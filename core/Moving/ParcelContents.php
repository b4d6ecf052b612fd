<?php

declare(strict_types=1);

namespace Unanimus\Moving;

use Unanimus\Finding\Query;
use Unanimus\Steps\StepRefused;

/** What is what in a parcel: the list of files, lists that go with it, and documents in their folders. */
final readonly class ParcelContents
{
    private const TABLES = ['csv', 'tsv', 'txt', 'xlsx', 'xls', 'ods'];

    /** What a list of files may be called, where several could be it. */
    private const LISTS = ['files', 'file', 'deals', 'transactions'];

    /**
     * @param array<string, ParcelEntry> $lists what goes with it, by kind
     * @param list<ParcelEntry> $documents
     * @param string $root the folder that everything lies in; '' for none
     */
    private function __construct(public ParcelEntry $files, public array $lists, public array $documents, public string $root)
    {
    }

    /**
     * Tells tables from documents by where they lie and what they are called.
     *
     * @param list<ParcelEntry> $entries
     *
     * @throws StepRefused when no list of files is among them, or several could be it
     */
    public static function of(array $entries, string $name): self
    {
        $root = self::root($entries);
        $tables = $documents = [];
        foreach ($entries as $entry) {
            $entry->folder() === $root && in_array($entry->ending(), self::TABLES, true) ? ($tables[] = $entry) : ($documents[] = $entry);
        }
        $lists = [];
        foreach ($tables as $index => $table) {
            $kind = ListKind::named(pathinfo($table->path, PATHINFO_FILENAME));
            if ($kind !== null && ! isset($lists[$kind->value])) {
                $lists[$kind->value] = $table;
                unset($tables[$index]);
            }
        }
        $named = array_filter($tables, static fn (ParcelEntry $table) => in_array(
            Query::plain(pathinfo($table->path, PATHINFO_FILENAME)),
            self::LISTS,
            true,
        ));
        $chosen = array_values($named === [] ? $tables : $named);
        if ($chosen === []) {
            throw MovingRefusal::NoListOfFiles->because(name: $name);
        }
        if (count($chosen) > 1) {
            throw MovingRefusal::SeveralLists->because(names: implode(', ', array_map(static fn ($one) => $one->name(), $chosen)));
        }
        $rest = array_filter($tables, static fn (ParcelEntry $table) => $table !== $chosen[0]);

        return new self($chosen[0], $lists, [...$documents, ...array_values($rest)], $root);
    }

    /** A path without the folder that everything lies in. */
    public function within(string $path): string
    {
        return $this->root === '' ? $path : substr($path, strlen($this->root) + 1);
    }

    /** @param  list<ParcelEntry>  $entries */
    private static function root(array $entries): string
    {
        $root = null;
        foreach ($entries as $entry) {
            $parts = explode('/', $entry->path);
            array_pop($parts);
            if ($root === null) {
                $root = $parts;

                continue;
            }
            $same = 0;
            while (isset($root[$same], $parts[$same]) && $root[$same] === $parts[$same]) {
                $same++;
            }
            $root = array_slice($root, 0, $same);
        }

        return implode('/', $root ?? []);
    }
}
