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
     * @return array{mode: string, inner: array<int|string, string>, lines: list<array{fact: string, operator: string, value: string,
     *     group: string}>}
     */
    public static function lines(array $group): array
    {
        $mode = (string) (array_key_first($group) ?? 'all');
        $lines = [];
        $inner = [];
        foreach ($group[$mode] ?? [] as $one) {
            if (array_is_list($one)) {
                $lines[] = [
                    'fact' => (string) $one[0],
                    'operator' => (string) $one[1],
                    'value' => (string) ($one[2] ?? ''),
                    'group' => '0',
                ];

                continue;
            }
            $of = (string) (count($inner) + 1);
            $inner[$of] = (string) array_key_first($one);
            foreach ($one[$inner[$of]] as $line) {
                array_is_list($line) &&
                    ($lines[] = [
                        'fact' => (string) $line[0],
                        'operator' => (string) $line[1],
                        'value' => (string) ($line[2] ?? ''),
                        'group' => $of,
                    ]);
            }
        }

        return ['mode' => $mode, 'inner' => $inner, 'lines' => $lines];
    }
}
