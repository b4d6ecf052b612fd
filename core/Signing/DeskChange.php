<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * What a step on the desk of a round changed, so that it can be taken back and done again: of each row how it stood before and
 * how after. A desk is its rows by kind and key; a row that came or went is whole on one side and null on the other.
 *
 * @phpstan-type Row array<string, mixed>
 * @phpstan-type Desk array<string, array<array-key, Row>>
 */
final readonly class DeskChange
{
    /** @param  array<string, array<array-key, array{Row|null, Row|null}>>  $rows  before and after, by kind and key */
    private function __construct(public array $rows)
    {
    }

    /**
     * What differs between a desk before a step and after it; of a row that stays, only the columns that differ.
     *
     * @param Desk $before
     * @param Desk $after
     */
    public static function between(array $before, array $after): self
    {
        $rows = [];
        foreach (array_keys($before + $after) as $kind) {
            [$was, $is] = [$before[$kind] ?? [], $after[$kind] ?? []];
            foreach (array_keys($was + $is) as $key) {
                $pair = self::pair($was[$key] ?? null, $is[$key] ?? null);
                $pair === null || ($rows[$kind][$key] = $pair);
            }
        }

        return new self($rows);
    }

    /**
     * As it was stored.
     *
     * @param array<string, array<array-key, array{Row|null, Row|null}>> $rows
     */
    public static function fromArray(array $rows): self
    {
        return new self($rows);
    }

    /** Whether nothing was changed, so that there is nothing to take back. */
    public function isNone(): bool
    {
        return $this->rows === [];
    }

    /** This step and the one after it as a single one: what is done with one key is taken back with one. */
    public function then(self $next): self
    {
        $rows = $this->rows;
        foreach ($next->rows as $kind => $pairs) {
            foreach ($pairs as $key => [$was, $is]) {
                $rows[$kind][$key] = isset($rows[$kind][$key]) ? self::joined($rows[$kind][$key], [$was, $is]) : [$was, $is];
                // What came and went within the step was never there.
                if ($rows[$kind][$key] === [null, null]) {
                    unset($rows[$kind][$key]);
                }
            }
        }

        return new self(array_filter($rows));
    }

    /** The step that takes this one back. */
    public function back(): self
    {
        return new self(array_map(
            static fn (array $pairs) => array_map(static fn (array $pair) => [$pair[1], $pair[0]], $pairs),
            $this->rows,
        ));
    }

    /**
     * What has to be written for this step to be done on a desk as it stands now. What somebody else has changed since then
     * stays as they left it.
     *
     * @param Desk $now
     * @return array<string, array<array-key, Row|null>> by kind and key: the columns to set, all of them where the row is not
     *                                                   there, or null for a row that goes
     */
    public function onto(array $now): array
    {
        $writes = [];
        foreach ($this->rows as $kind => $pairs) {
            foreach ($pairs as $key => [$was, $is]) {
                $there = $now[$kind][$key] ?? null;
                if ($was === null || $is === null) {
                    // A row comes back where there is none, and goes where it stands as it was put.
                    self::isSame($there, $was) && ($writes[$kind][$key] = $is);

                    continue;
                }
                $set = array_filter(
                    $is,
                    static fn (string $column) => $there !== null && $there[$column] === $was[$column],
                    ARRAY_FILTER_USE_KEY,
                );
                $set === [] || ($writes[$kind][$key] = $set);
            }
        }

        return $writes;
    }

    /**
     * @param Row|null $one
     * @param Row|null $other
     */
    private static function isSame(?array $one, ?array $other): bool
    {
        if ($one === null || $other === null) {
            return $one === $other;
        }
        ksort($one);
        ksort($other);

        return $one === $other;
    }

    /**
     * @param Row|null $was
     * @param Row|null $is
     * @return array{Row|null, Row|null}|null null: the same
     */
    private static function pair(?array $was, ?array $is): ?array
    {
        if ($was === null || $is === null) {
            return [$was, $is];
        }
        $changed = array_filter($is, static fn (string $column) => $is[$column] !== $was[$column], ARRAY_FILTER_USE_KEY);

        return $changed === [] ? null : [array_intersect_key($was, $changed), $changed];
    }

    /**
     * @param array{Row|null, Row|null} $first
     * @param array{Row|null, Row|null} $next
     * @return array{Row|null, Row|null}
     */
    private static function joined(array $first, array $next): array
    {
        [$was, $between] = $first;
        $is = $next[1];
        // What is only changed on is written over what was there; a row that came or went is whole.
        $is !== null && $next[0] !== null && $between !== null && ($is += $between);
        $was !== null && $between !== null && $next[0] !== null && ($was += array_diff_key($next[0], $between));

        return [$was, $is];
    }
}
