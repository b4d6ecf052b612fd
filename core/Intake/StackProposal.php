<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * Proposes where a stack is to be cut into papers: by the forms and numbers its pages name, their titles, their shape, and
 * what they share; and which are second copies, or lie in another order than they are numbered.
 */
final class StackProposal
{
    /** Part of their words that two pages share when one is a copy of the other, and of those that stand next to each other. */
    private const SAME = 0.8;

    private const IN_ORDER = 0.5;

    /** Signs of a running head that are compared, and how many of them may have been misread. */
    private const HEAD = 28;

    private const SIGNED = '/\b(?:date|buyers?|sellers?|signature|tenants?|landlords?|agent|broker|initials)\b/iu';

    private const SHORTEST = 12;

    private const MISREAD = 0.25;

    /** A page with fewer signs than these says little of itself. */
    private const MUCH = 80;

    /**
     * @param array<int, StackPage> $pages by number, from 1; all of them
     * @param array<string, string> $titles of the library's forms, by number
     * @return list<ProposedPart> every page is in one of them; blank ones go with what is before
     */
    public static function of(array $pages, array $titles = []): array
    {
        $groups = self::groups($pages);
        $parts = [];
        foreach ($groups as $index => [$numbers, $sure]) {
            $written = array_values(array_filter($numbers, static fn (int $number) => ! $pages[$number]->isBlank));
            $last = isset($groups[$index + 1]) ? $groups[$index + 1][0][0] - 1 : (int) array_key_last($pages);
            $first = $index === 0 ? 1 : $numbers[0];
            $form = self::form($written, $pages);
            $parts[] = new ProposedPart(
                $first,
                $last,
                $form,
                $titles[$form] ?? self::heading($written, $pages),
                min($sure, $groups[$index + 1][1] ?? 1.0),
                self::copied($written, $form, $parts, $pages),
                self::order($written, $pages),
            );
        }

        return $parts;
    }

    /**
     * @param array<int, StackPage> $pages
     * @return list<array{non-empty-list<int>, float}> pages that belong together, with how sure their beginning is
     */
    private static function groups(array $pages): array
    {
        $groups = $together = [];
        $open = 1.0;
        $blankBefore = false;
        foreach ($pages as $number => $page) {
            if ($page->isBlank) {
                $blankBefore = true;

                continue;
            }
            [$begins, $sure] = $together === [] ? [false, 1.0] : self::begins($page, $together, $pages, $blankBefore);
            if ($begins && $together !== []) {
                $groups[] = [$together, $open];
                [$together, $open] = [[], $sure];
            }
            $together[] = $number;
            $blankBefore = false;
        }

        return $together === [] ? [[[1], 0.5]] : [...$groups, [$together, $open]];
    }

    /**
     * Whether a page begins another paper than the one that is open, and how sure that is.
     *
     * @param non-empty-list<int> $open
     * @param array<int, StackPage> $pages
     * @return array{bool, float}
     */
    private static function begins(StackPage $page, array $open, array $pages, bool $blankBefore): array
    {
        $last = $pages[$open[count($open) - 1]];
        $seen = array_filter(array_map(static fn (int $number) => $pages[$number]->page, $open), static fn (?int $n) => $n !== null);
        $form = self::form($open, $pages);
        $count = max([0, ...array_map(static fn (int $number) => $pages[$number]->count ?? 0, $open)]);

        return match (true) {
            // The next of as many pages: what else is read otherwise was not read well.
            $page->page !== null && $page->page > 1 && $page->count === $count && $page->page === ($last->page ?? 0) + 1 => [
                false,
                $page->form === $form ? 0.98 : 0.8,
            ],
            // One sign apart, in the middle of a paper: misread.
            $page->page !== 1 &&
                $form !== '' &&
                levenshtein($page->form, $form) === 1 &&
                ($page->heading === '' || ($count > 0 && $page->count === $count)) => [false, 0.7],
            $page->form !== '' && $form !== '' && $page->form !== $form => [true, 0.98],
            // Another number of pages than the others have is another paper.
            $page->count !== null && $count > 0 && $page->count !== $count => [true, 0.95],
            // The same page again begins a second copy once the first is whole; before that it was misread, or lies here twice.
            $page->page !== null && $page->page > 1 && in_array($page->page, $seen, true) => [count($seen) >= $count, 0.85],
            $page->page !== null && in_array($page->page, $seen, true) => [true, 0.95],
            // The first page of as many, where it has not come yet: they lie in another order.
            $page->page === 1 && $seen !== [] && $page->count === $count && $page->form === $form && count($seen) < $count => [false, 0.8],
            $page->page === 1 && $seen !== [] => [true, count($seen) >= $count ? 0.97 : 0.6],
            $page->page !== null && $seen !== [] => [false, 0.95],
            // Only one of the two says which page it is.
            $page->page === 1 => [true, 0.93],
            $page->page !== null => [$page->form !== '' && $form === '' && $page->heading !== '', 0.7],
            $page->form !== '' && $page->form === $form => [false, 0.85],
            $seen !== [] && $count > 0 && count($seen) >= $count => [true, 0.92],
            // "Page 2 of 2" ends a paper, also where its first page did not say its number.
            $last->page !== null && $last->page === $last->count => [true, 0.85],
            self::goesOn($last, $page) => [false, 0.85],
            $page->beginsLetter() => [true, 0.85],
            mb_strlen($page->text) > self::MUCH && self::isSameAs($page, $pages[$open[0]]) => [true, 0.85],
            count($seen) >= $count && mb_strlen($page->text) > self::MUCH && self::isOtherHead($page, $open, $pages) => [true, 0.8],
            $page->shape !== $last->shape => [true, 0.85],
            self::sharesEdges($page, $last) => [false, 0.85],
            $page->heading !== '' && $page->heading !== $last->heading => [true, $blankBefore ? 0.9 : 0.8],
            $seen !== [] && $count === 0 => [true, 0.7],
            $last->endsLetter() => [true, 0.75],
            ! $page->isSetLike($last) => [true, self::isEnded($last) ? 0.7 : 0.6],
            $blankBefore && self::isEnded($last) => [true, 0.6],
            default => [false, 0.75],
        };
    }

    /** Whether a page says what the first one says: a second copy begins. */
    private static function isSameAs(StackPage $page, StackPage $first): bool
    {
        if (levenshtein(self::edge($page->heading), self::edge($first->heading)) > self::MISREAD * strlen($first->heading)) {
            return false;
        }
        [$one, $other] = [self::pairs([0], [$page]), self::pairs([0], [$first])];

        return count(array_intersect_key($one, $other)) >= 0.9 * max(count($one), count($other));
    }

    /** Whether two pages have the same running head or foot, as pages of one paper do. */
    private static function sharesEdges(StackPage $page, StackPage $last): bool
    {
        $foot = static fn (StackPage $one): string => self::edge(mb_substr($one->text, -self::HEAD));
        // What is set as a title under the same running head begins a chapter.
        $title = self::edge(mb_substr($page->heading, 0, self::SHORTEST));
        $isUnderHead = $title === '' || ! str_starts_with(self::edge($page->text), $title);

        // "Buyer ____ Date ____" ends many papers, and runs on under none.
        $isRunning = $page->heading === '' || preg_match(self::SIGNED, mb_substr($page->text, -self::HEAD)) !== 1;

        return ($isRunning && mb_strlen($page->text) > self::MUCH && $foot($page) === $foot($last)) ||
            ($isUnderHead && self::isSameHead($page, $last));
    }

    /**
     * Whether all pages that are open have one running head, and this page has another.
     *
     * @param non-empty-list<int> $open
     * @param array<int, StackPage> $pages
     */
    private static function isOtherHead(StackPage $page, array $open, array $pages): bool
    {
        foreach ($open as $at => $number) {
            if ($at > 0 && ! self::isSameHead($pages[$number], $pages[$open[$at - 1]])) {
                return false;
            }
        }

        return count($open) > 1 && ! self::isSameHead($page, $pages[$open[count($open) - 1]]);
    }

    private static function isSameHead(StackPage $one, StackPage $other): bool
    {
        [$a, $b] = array_map(static fn (StackPage $page) => self::edge(mb_substr($page->text, 0, self::HEAD)), [$one, $other]);

        return min(mb_strlen($a), mb_strlen($b)) >= self::SHORTEST && levenshtein($a, $b) <= self::MISREAD * max(strlen($a), strlen($b));
    }

    private static function edge(string $text): string
    {
        return (string) preg_replace('/\d+/', '#', mb_strtolower($text));
    }

    /** Whether a sentence of the one page goes on upon the next. */
    private static function goesOn(StackPage $last, StackPage $page): bool
    {
        return ! self::isEnded($last) && $page->heading === '' && preg_match('/^\p{Ll}/u', $page->text) === 1;
    }

    /** Whether the text of a page comes to an end, and does not break off in a sentence. */
    private static function isEnded(StackPage $page): bool
    {
        return preg_match('/[.:;!?)\d]$|\b(date|signature|seller|buyer|agent|broker)\W*$/iu', $page->text) === 1;
    }

    /**
     * @param list<int> $numbers
     * @param array<int, StackPage> $pages
     */
    private static function form(array $numbers, array $pages): string
    {
        $forms = array_count_values(array_filter(array_map(static fn (int $number) => $pages[$number]->form, $numbers)));
        arsort($forms);

        return (string) (array_key_first($forms) ?? '');
    }

    /**
     * @param list<int> $numbers
     * @param array<int, StackPage> $pages
     */
    private static function heading(array $numbers, array $pages): string
    {
        foreach ($numbers as $number) {
            if ($pages[$number]->heading !== '') {
                return $pages[$number]->heading;
            }
        }
        $page = $numbers === [] ? null : $pages[$numbers[0]];
        $isName = preg_match('/\p{L}{3,}/u', $page->first ?? '') === 1;

        return mb_strimwidth($isName ? $page->first ?? '' : $page->text ?? '', 0, 60, '…');
    }

    /**
     * @param list<int> $numbers
     * @param array<int, StackPage> $pages
     * @return list<int>
     */
    private static function order(array $numbers, array $pages): array
    {
        $said = array_map(static fn (int $number) => $pages[$number]->page, $numbers);
        if (in_array(null, $said, true) || count(array_unique($said)) !== count($said)) {
            return [];
        }
        $sorted = $numbers;
        usort($sorted, static fn (int $a, int $b) => $pages[$a]->page <=> $pages[$b]->page);

        return $sorted === $numbers ? [] : $sorted;
    }

    /**
     * @param list<int> $numbers
     * @param list<ProposedPart> $before
     * @param array<int, StackPage> $pages
     */
    private static function copied(array $numbers, string $form, array $before, array $pages): ?int
    {
        $own = self::words($numbers, $pages);
        if (count($own) < 12) {
            return null;
        }
        foreach ($before as $part) {
            if ($part->copyOf !== null || ($form !== '' && $part->form !== '' && $part->form !== $form)) {
                continue;
            }
            $other = array_values(array_filter(range($part->first, $part->last), static fn (int $number) => ! $pages[$number]->isBlank));
            $theirs = self::words($other, $pages);
            $both = count(array_intersect_key($own, $theirs));
            $isCalledSo = self::isCalledIn($numbers, $theirs, $pages) && self::isCalledIn($other, $own, $pages);
            if (! $isCalledSo || $both < self::SAME * max(count($own), count($theirs))) {
                continue;
            }
            [$mine, $other] = [self::pairs($numbers, $pages), self::pairs($other, $pages)];
            if (count(array_intersect_key($mine, $other)) >= self::IN_ORDER * max(count($mine), count($other))) {
                return $part->first;
            }
        }

        return null;
    }

    /**
     * Whether all words of a paper's title stand in another paper, also where they were misread: otherwise it is another one.
     *
     * @param list<int> $numbers
     * @param array<string, true> $words of the other
     * @param array<int, StackPage> $pages
     */
    private static function isCalledIn(array $numbers, array $words, array $pages): bool
    {
        preg_match_all('/\p{L}{5,}/u', mb_strtolower($numbers === [] ? '' : $pages[$numbers[0]]->heading), $found);
        foreach ($found[0] as $one) {
            $near = array_filter(
                array_keys($words),
                static fn (int|string $other) => levenshtein($one, (string) $other) <= (strlen($one) > 5 ? 2 : 1),
            );
            if ($near === []) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param list<int> $numbers
     * @param array<int, StackPage> $pages
     * @return array<string, true>
     */
    private static function words(array $numbers, array $pages): array
    {
        $text = mb_strtolower(implode(' ', array_map(static fn (int $number) => $pages[$number]->text, $numbers)));
        preg_match_all('/\p{L}{3,}|\d{2,}/u', $text, $found);

        return array_fill_keys($found[0], true);
    }

    /**
     * Words that stand next to each other.
     *
     * @param list<int> $numbers
     * @param array<int, StackPage> $pages
     * @return array<string, true>
     */
    private static function pairs(array $numbers, array $pages): array
    {
        $text = mb_strtolower(implode(' ', array_map(static fn (int $number) => $pages[$number]->text, $numbers)));
        preg_match_all('/\p{L}{3,}|\d{2,}/u', $text, $found);
        $pairs = [];
        for ($i = 1, $count = count($found[0]); $i < $count; $i++) {
            $pairs["{$found[0][$i - 1]} {$found[0][$i]}"] = true;
        }

        return $pairs;
    }
}
