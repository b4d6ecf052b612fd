<?php

declare(strict_types=1);

namespace App\Requirements;

use Illuminate\Http\Request;

/** Conditions as the editor's fields send them, put into the stored form. */
final class GivenConditions
{
    /** @return array<string, mixed> {"all": […]}: lines of a group apart from "and" are groups of their own */
    public static function from(Request $request): array
    {
        $mode = in_array($request->input('mode'), ['all', 'any', 'none'], true) ? (string) $request->input('mode') : 'all';
        $groups = [];
        foreach ((array) $request->input('when', []) as $line) {
            if (! is_array($line) || ! is_string($line['fact'] ?? null) || $line['fact'] === '') {
                continue;
            }
            $of = is_string($line['group'] ?? null) && in_array($line['group'], ['1', '2', '3'], true) ? $line['group'] : '0';
            $groups[$of][] = [$line['fact'], (string) ($line['operator'] ?? 'is'), trim((string) ($line['value'] ?? ''))];
        }
        $tests = $groups['0'] ?? [];
        foreach (['1', '2', '3'] as $of) {
            if (isset($groups[$of])) {
                $inner = in_array($request->input("inner.{$of}"), ['all', 'any', 'none'], true)
                    ? (string) $request->input("inner.{$of}")
                    : 'any';
                $tests[] = [$inner => $groups[$of]];
            }
        }

        return [$mode => $tests];
    }

    /**
     * A stored group as lines for the editor's fields; groups in groups of groups are flattened to the first depth.
     *
     * @param array<mixed> $group
     */
    public static function lines(array $group): ConditionLines
    {
        $mode = (string) (array_key_first($group) ?? 'all');
        $lines = [];
        $inner = [];
        foreach ($group[$mode] ?? [] as $one) {
            if (array_is_list($one)) {
                $lines[] = new ConditionLine((string) $one[0], (string) $one[1], (string) ($one[2] ?? ''));

                continue;
            }
            $of = (string) (count($inner) + 1);
            $inner[$of] = (string) array_key_first($one);
            foreach ($one[$inner[$of]] as $line) {
                array_is_list($line) &&
                    ($lines[] = new ConditionLine((string) $line[0], (string) $line[1], (string) ($line[2] ?? ''), $of));
            }
        }

        return new ConditionLines($mode, $inner, $lines);
    }
}
