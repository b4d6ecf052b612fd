<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Terms\Address;
use Unanimus\Terms\Derived;
use Unanimus\Terms\Facts;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\Term;

/**
 * Reads the drafts of a file against each other and against its terms: values that differ, and dates and amounts on one
 * page that cannot both be.
 */
final class CrossCheck
{
    /**
     * What is found, by paper.
     *
     * @param array<string, array{title: string, filling: Filling}> $papers by any key
     * @return array<string, list<Finding>> by the same key; only papers with something found
     */
    public static function of(array $papers, ?LocalDate $today = null): array
    {
        $found = [];
        foreach ($papers as $key => ['filling' => $filling]) {
            foreach (self::departures($filling) as $finding) {
                $found[$key][] = $finding;
            }
            foreach (self::contradictions($filling, $today) as $finding) {
                $found[$key][] = $finding;
            }
        }
        foreach (self::between($papers) as [$key, $finding]) {
            $found[$key][] = $finding;
        }

        return $found;
    }

    /**
     * Where a paper that is out, signed or from outside says something else than the terms do now.
     *
     * @return list<Finding>
     */
    public static function ofFixed(ReadBack $read, Form $form, Facts $facts): array
    {
        $found = [];
        foreach ($form->blanks as $blank) {
            $value = $read->values[$blank->name] ?? '';
            $term = $blank->binding === null || str_contains($blank->binding, '?') ? null : $facts->value($blank->binding);
            if (
                $value !== '' &&
                $term !== null &&
                $term !== '' &&
                self::plain($value) !== self::plain($term) &&
                self::plain($value) !== self::plain($blank->kind->show($term))
            ) {
                $found[] = new Finding(
                    $blank->name,
                    "{$blank->label} says ".self::shown($blank, $value).' here; the terms say '.self::shown($blank, $term).' now.',
                    $read->pages[$blank->page] ?? null,
                    $blank->place,
                );
            }
        }

        return $found;
    }

    /** What a paper on another form says clearly enough to be held against the file. */
    private const HELD = [Term::Price, Term::EarnestMoney, Term::Closing, Term::Rent, Term::Deposit];

    /**
     * Where a paper that is no form of the library says something else than the terms, the property or the people of the file.
     *
     * @param list<SaidTerm> $said
     * @param array<string, string> $people who holds which seat of the file
     * @return list<Finding>
     */
    public static function ofSaid(array $said, Facts $facts, array $people): array
    {
        $found = [];
        foreach ($said as $one) {
            $fact = Term::tryFrom($one->name) ?? PropertyFact::tryFrom($one->name);
            $text = match (true) {
                $fact instanceof Term => self::otherTerm($fact, $one->value, (string) $facts->value($one->name)),
                $fact === PropertyFact::Street => self::otherStreet($one->value, (string) $facts->value($one->name)),
                $fact === null => self::otherPerson($one, $people),
                default => null,
            };
            $text === null || ($found[] = new Finding('', $text, $one->page, $one->place));
        }

        return $found;
    }

    private static function otherTerm(Term $term, string $said, string $known): ?string
    {
        if ($known === '' || ! in_array($term, self::HELD, true)) {
            return null;
        }
        $shown = $term->kind()->inSentence($known);

        return self::plain($said) === self::plain($shown) ? null : "{$term->label()} says {$said} here; the terms say {$shown} now.";
    }

    private static function otherStreet(string $said, string $known): ?string
    {
        return $known === '' || Address::of($said)->key() === Address::of($known)->key()
            ? null
            : "The address here is {$said}; the file says {$known}.";
    }

    /**
     * A name counts as known where someone of that role has the same last name.
     *
     * @param array<string, string> $people
     */
    private static function otherPerson(SaidTerm $one, array $people): ?string
    {
        [$role, $number] = explode('.', $one->name);
        $same = array_filter($people, static fn (string $seat) => str_starts_with($seat, "{$role}."), ARRAY_FILTER_USE_KEY);
        $last = static fn (string $name): string => self::plain((string) strrchr(
            ' '.preg_replace('/,?\s+(?:LLC|L\.L\.C\.|LLP|LP|Inc\.?|Corp\.?|Trust|Jr\.?|Sr\.?|II|III|IV)$/u', '', trim($name)),
            ' ',
        ));
        if ($same === [] || in_array($last($one->value), array_map($last, $same), true)) {
            return null;
        }
        $names = implode(' and ', $same);

        return "It names {$one->value} as {$role} {$number}; the file says {$names}.";
    }

    private static function shown(Blank $blank, string $value): string
    {
        try {
            return $blank->kind->show($value);
        } catch (AmountUnreadable|DateUnreadable) {
            return $value;
        }
    }

    /** Spaces, signs and capitals are the print's affair. */
    private static function plain(string $text): string
    {
        return mb_strtolower((string) preg_replace('/[^\p{L}\p{N}.]+/u', '', $text));
    }

    /** @return list<Finding> */
    private static function departures(Filling $filling): array
    {
        $found = [];
        foreach ($filling->blanks as $name => $filled) {
            if ($filled->departs) {
                $kind = $filled->blank->kind;
                $found[] = new Finding(
                    (string) $name,
                    "{$filled->blank->label} says ".
                        ($filled->value === '' ? 'nothing' : $kind->show($filled->value)).
                        '; the terms say '.
                        $kind->show((string) $filled->followed).
                        '.',
                );
            }
        }

        return $found;
    }

    /**
     * What stands on one page and cannot be, told only where this page departs from the terms: else the terms tell it.
     *
     * @return list<Finding>
     */
    private static function contradictions(Filling $filling, ?LocalDate $today): array
    {
        $values = [];
        $terms = [];
        $departing = null;
        foreach ($filling->blanks as $name => $filled) {
            $binding = $filled->blank->binding;
            if ($binding === null || str_contains($binding, '?')) {
                continue;
            }
            $values[$binding] = $filled->value;
            $terms[$binding] = (string) $filled->followed;
            $departing ??= $filled->entered && $filled->value !== (string) $filled->followed ? (string) $name : null;
        }
        if ($departing === null) {
            return [];
        }
        $told = array_diff(Derived::contradictions(Facts::from($values), $today), Derived::contradictions(Facts::from($terms), $today));

        return array_values(array_map(static fn (string $words) => new Finding($departing, "On this paper: {$words}"), $told));
    }

    /**
     * The same thing entered differently on two papers, where the terms say nothing of it.
     *
     * @param array<string, array{title: string, filling: Filling}> $papers
     * @return iterable<array{string, Finding}>
     */
    private static function between(array $papers): iterable
    {
        $first = [];
        foreach ($papers as $key => ['title' => $title, 'filling' => $filling]) {
            foreach ($filling->blanks as $name => $filled) {
                $binding = $filled->blank->binding;
                if ($binding === null || str_contains($binding, '?') || $filled->followed !== null || $filled->value === '') {
                    continue;
                }
                $first[$binding] ??= [$title, $filled];
                [$where, $other] = $first[$binding];
                if ($other->value !== $filled->value) {
                    yield [
                        (string) $key,
                        new Finding(
                            (string) $name,
                            "{$filled->blank->label} says {$filled->blank->kind->show($filled->value)} here and {$other->blank->kind->show(
                                $other->value,
                            )} on {$where}.",
                        ),
                    ];
                }
            }
        }
    }
}
