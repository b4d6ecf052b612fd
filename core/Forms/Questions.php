<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Terms\Kind;

/**
 * The blanks of one paper that a client is asked for, as questions in reading order; ticks that exclude each other are one.
 */
final readonly class Questions
{
    /**
     * What of a paper is left to ask: neither computed nor known from the terms.
     *
     * @return list<string> names of blanks
     */
    public static function open(Filling $filling): array
    {
        $open = [];
        foreach ($filling->blanks as $name => $filled) {
            if ($filled->blank->formula === null && ($filled->followed === null || $filled->entered)) {
                $open[] = (string) $name;
            }
        }

        return $open;
    }

    /**
     * The questions, each a list of blanks: one, or the ticks of a group.
     *
     * @param list<string> $asked names of blanks
     * @return list<non-empty-list<Filled>>
     */
    public static function of(Filling $filling, array $asked): array
    {
        $questions = [];
        foreach ($filling->blanks as $name => $filled) {
            if (! in_array((string) $name, $asked, true)) {
                continue;
            }
            $group = $filled->blank->group;
            $questions[$group === null ? "b:{$name}" : "g:{$group}"][] = $filled;
        }

        return array_values($questions);
    }

    /**
     * Whether a question need not be asked now: it depends on a choice that has not been made.
     *
     * @param non-empty-list<Filled> $question
     */
    public static function rests(array $question, Filling $filling): bool
    {
        foreach ($question as $filled) {
            if ($filled->blank->when === null || $filling->value($filled->blank->when) !== '') {
                return false;
            }
        }

        return true;
    }

    /** @param  non-empty-list<Filled>  $question  Whether something stands there. */
    public static function isAnswered(array $question): bool
    {
        foreach ($question as $filled) {
            if ($filled->value !== '') {
                return true;
            }
        }

        return false;
    }

    /**
     * What an answer enters: a choice ticks one of its group, which clears the others by itself; only a choice taken back
     * is cleared here. What stands there already is not entered again.
     *
     * @param non-empty-list<Filled> $question
     * @param string $choice the blank that is chosen; empty: none
     * @param string $typed what is written, where nothing is chosen from
     * @return array<string, string> by blank
     */
    public static function entries(array $question, string $choice, string $typed): array
    {
        $entries = [];
        foreach ($question as $filled) {
            $blank = $filled->blank;
            if ($blank->kind !== Kind::Tick) {
                $typed === $blank->kind->show($filled->value) || ($entries[$blank->name] = $typed);
            } elseif ($choice === $blank->name && $filled->value === '') {
                $entries[$blank->name] = 'x';
            } elseif ($choice === '' && $filled->value !== '') {
                $entries[$blank->name] = '';
            }
        }

        return $entries;
    }
}
