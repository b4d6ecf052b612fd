<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/**
 * Everything that was ever entered on a paper, in order: what stood on it after each entry, what differs between two of
 * these states, and what has to be entered to have an earlier one again.
 */
final readonly class EntryLog
{
    /** @param  list<LoggedEntry>  $entries */
    public function __construct(public array $entries)
    {
    }

    /** How many entries there are; the state of that number is how it stands now, state 0 is before the first. */
    public function count(): int
    {
        return count($this->entries);
    }

    /** @return array<string, string> what had been entered after so many entries, by blank */
    public function at(int $state): array
    {
        $values = [];
        foreach (array_slice($this->entries, 0, max(0, $state)) as $entry) {
            if ($entry->value === null) {
                unset($values[$entry->blank]);
            } else {
                $values[$entry->blank] = $entry->value;
            }
        }

        return $values;
    }

    /** @return list<string> blanks in which two states differ, in the order they were first entered in */
    public function difference(int $one, int $other): array
    {
        [$before, $after] = [$this->at($one), $this->at($other)];
        $blanks = array_unique(array_map(static fn (LoggedEntry $entry) => $entry->blank, $this->entries));

        return array_values(array_filter($blanks, static fn (string $blank) => ($before[$blank] ?? null) !== ($after[$blank] ?? null)));
    }

    /**
     * What to enter so that the paper stands as it did after so many entries. Null takes an entry away.
     *
     * @param list<string>|null $only these blanks; null: all
     * @return array<string, string|null> by blank
     */
    public function bringingBack(int $state, ?array $only = null): array
    {
        $then = $this->at($state);
        $values = [];
        foreach ($this->difference($state, $this->count()) as $blank) {
            if ($only === null || in_array($blank, $only, true)) {
                $values[$blank] = $then[$blank] ?? null;
            }
        }

        return $values;
    }
}
