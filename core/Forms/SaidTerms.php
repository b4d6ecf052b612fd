<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Dates\LocalDate;
use Unanimus\Pages\Word;
use Unanimus\Terms\Address;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\Term;

/**
 * What a contract, an offer, a listing or a lease that is no form of ours says of its deal, read in its words. It is proposed and no
 * more: nothing follows from it before someone takes it.
 */
final class SaidTerms
{
    /** A paper that never speaks of these makes no deal. */
    private const DEAL = '/\b(?:purchase|sales?|lease|rental|listing|counter\W?offer|offer to buy|buyer|tenant)\b'.
        '.{0,60}?\b(?:agreement|contract|offer|price)\b|'.
        '\b(?:purchase price|counter\W?offer|offer to purchase|contract of sale)\b|\blandlord\b.{0,400}?\btenant/isu';

    /** Pages that are looked at. */
    private const MOST_PAGES = 20;

    private const LEAST_LOAN = 20.0;

    /** Fewer say nothing of a deal. */
    private const FEWEST = 2;

    /**
     * @param array<int, list<Word>> $words by page
     * @param LocalDate $today for dates without a year
     * @return list<SaidTerm> one of each, in the order of the paper
     */
    public static function in(array $words, LocalDate $today): array
    {
        ksort($words);
        $pages = array_map(RunningText::of(...), array_slice($words, 0, self::MOST_PAGES, true));
        $all = implode("\n", array_map(static fn (RunningText $page) => $page->text, $pages));
        if (preg_match(self::DEAL, $all) !== 1) {
            return [];
        }
        $found = [];
        $terms = SaidPatterns::terms($all);
        foreach ($pages as $number => $page) {
            foreach ($terms as $name => $patterns) {
                foreach (isset($found[$name]) ? [] : $patterns as $pattern) {
                    $one = self::term($name, $pattern, $page, $number, $today);
                    if ($one !== null) {
                        $found[$name] = $one;
                        break;
                    }
                }
            }
            foreach ([...self::address($page, $number), ...SaidPeople::on($page, $number)] as $one) {
                $found[$one->name] ??= $one;
            }
        }

        return count($found) < self::FEWEST ? [] : array_values(self::inOrder($found));
    }

    private static function term(string $name, string $pattern, RunningText $page, int $number, LocalDate $today): ?SaidTerm
    {
        preg_match_all($pattern, $page->text, $all, PREG_SET_ORDER | PREG_OFFSET_CAPTURE);
        foreach ($all as $m) {
            [$typed, $at] = $m['v'];
            try {
                $fact = Term::tryFrom($name) ?? PropertyFact::from($name);
                $said = $fact instanceof Term
                    ? self::said($fact, self::plain($typed), $today)
                    : $fact->kind()->inSentence($fact->kind()->parse(self::plain($typed), $today));
            } catch (EntryUnreadable) {
                continue;
            }
            if ($said !== '') {
                return new SaidTerm($name, $said, self::quote($m[0][0]), $number, $page->place($at, $at + strlen($typed)));
            }
        }

        return null;
    }

    /** In one row, and a day as it is typed: "15th day of January, 2027" is January 15, 2027. */
    private static function plain(string $typed): string
    {
        $typed = trim((string) preg_replace('/\s+/u', ' ', $typed), ' ,;');

        return (string) preg_replace(
            [
                '/^(\d{1,2})(?:st|nd|rd|th)? day of (\p{L}+)\.?,? (\d{4})$/iu',
                '/(?<=\d)(?:st|nd|rd|th)\b/i',
                // The end of a sentence, not of "Inc."
                '/(?<=\p{Ll}{3}|\d)(?<!\bInc|\bCorp|\bLtd)\.$/u',
            ],
            ['$2 $1, $3', '', ''],
            $typed,
        );
    }

    /**
     * As somebody would type it here.
     *
     * @throws EntryUnreadable when it is no such thing
     */
    private static function said(Term $term, string $typed, LocalDate $today): string
    {
        if ($term === Term::Financing) {
            return SaidPatterns::financing($typed);
        }
        if ($term === Term::Possession && preg_match('/\b(?:closing|settlement)\b/i', $typed) === 1) {
            return 'at closing';
        }
        $kept = $term->kind()->parse($typed, $today);
        $term->check($kept, $typed);
        // A few percent are somebody's commission or interest.
        if ($term === Term::LoanPercent && (float) $kept < self::LEAST_LOAN) {
            return '';
        }

        return $term->kind()->inSentence($kept);
    }

    /** @return list<SaidTerm> the parts of the property's address */
    private static function address(RunningText $page, int $number): array
    {
        if (preg_match(SaidPatterns::address(), $page->text, $m, PREG_OFFSET_CAPTURE) !== 1) {
            return [];
        }
        [$typed, $at] = $m['v'];
        $address = Address::parse((string) preg_replace('/\s+/u', ' ', $typed));
        $place = $page->place($at, $at + strlen($typed));
        $parts = [
            PropertyFact::Street->value => $address->street(),
            PropertyFact::Unit->value => $address->unit,
            PropertyFact::City->value => $address->city,
            PropertyFact::State->value => $address->state,
            PropertyFact::Zip->value => $address->zip,
        ];
        $said = [];
        foreach (preg_match('/^\d/', $address->street) === 1 ? $parts : [] as $name => $value) {
            $value === '' || ($said[] = new SaidTerm($name, $value, self::quote($m[0][0]), $number, $place));
        }

        return $said;
    }

    /**
     * Terms first, as they are entered; then the property and the people.
     *
     * @param array<string, SaidTerm> $found
     * @return array<string, SaidTerm>
     */
    private static function inOrder(array $found): array
    {
        $order = array_flip([
            ...array_map(static fn (Term $term) => $term->value, Term::cases()),
            ...array_map(static fn (PropertyFact $fact) => $fact->value, PropertyFact::cases()),
        ]);
        uksort($found, static fn (string $a, string $b) => [$order[$a] ?? 999, $a] <=> [$order[$b] ?? 999, $b]);

        return $found;
    }

    private static function quote(string $words): string
    {
        $words = trim((string) preg_replace('/\s+/u', ' ', $words));

        return mb_strlen($words) <= 120 ? $words : mb_substr($words, 0, 50).' … '.mb_substr($words, -60);
    }
}
