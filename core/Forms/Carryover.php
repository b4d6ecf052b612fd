<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Terms\Kind;

/**
 * What becomes of the entries of a paper that goes over to another revision of its form.
 */
final readonly class Carryover
{
    /**
     * @param array<string, array{from: Blank, to: Blank}> $goes by the old blank's name: where its entry goes
     * @param array<string, string> $names by the old blank's name: the name of the blank in its stead
     * @param array<string, Blank> $stays entries without a place on the other revision, by the old blank's name
     * @param list<Blank> $fresh blanks of the other revision that the old one did not have
     */
    private function __construct(public array $goes, public array $names, public array $stays, public array $fresh)
    {
    }

    /**
     * An entry goes to the blank of the same name that can hold it, else to the one that follows the same fact, else to the
     * only one with the same words.
     *
     * @param array<string, string> $entries what was entered, by blank
     */
    public static function between(Form $old, Form $new, array $entries): self
    {
        [$goes, $names, $stays, $taken] = [[], [], [], []];
        foreach ($old->blanks as $blank) {
            $to = self::place($blank, $old, $new);
            if ($to !== null && ! isset($taken[$to->name])) {
                $taken[$to->name] = true;
                $names[$blank->name] = $to->name;
                array_key_exists($blank->name, $entries) && ($goes[$blank->name] = ['from' => $blank, 'to' => $to]);
            } elseif (($entries[$blank->name] ?? '') !== '') {
                $stays[$blank->name] = $blank;
            }
        }

        return new self(
            $goes,
            $names,
            $stays,
            array_values(array_filter($new->blanks, static fn (Blank $blank) => ! isset($taken[$blank->name]))),
        );
    }

    private static function place(Blank $blank, Form $old, Form $new): ?Blank
    {
        $same = $new->blank($blank->name);
        if ($same !== null) {
            return self::holds($same, $blank) ? $same : null;
        }
        $free = array_filter($new->blanks, static fn (Blank $other) => $old->blank($other->name) === null && self::holds($other, $blank));
        $bound = array_values(
            array_filter($free, static fn (Blank $other) => $blank->binding !== null && $other->binding === $blank->binding),
        );
        $called = array_values(
            array_filter($free, static fn (Blank $other) => mb_strtolower($other->label) === mb_strtolower($blank->label)),
        );

        return $bound[0] ?? (count($called) === 1 ? $called[0] : null);
    }

    /** Whether what the old one holds can stand in the new one as it is. */
    private static function holds(Blank $new, Blank $old): bool
    {
        return $new->kind === $old->kind
            ? $new->kind !== Kind::Choice || array_diff($old->options, $new->options) === []
            : in_array($new->kind, [Kind::Text, Kind::Lines], true) && in_array($old->kind, [Kind::Text, Kind::Lines, Kind::Choice], true);
    }
}
