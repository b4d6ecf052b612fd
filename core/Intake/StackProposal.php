<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * Proposes where a stack is to be cut into papers: by the forms and numbers its pages name, their titles, their shape, and
 * what they share; and which are second copies, or lie in another order than they are numbered.
 */
final class StackProposal
{
    /** Part of their words that two pages share when one is a copy of the other. */
    private const SAME = 0.8;

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
            $page->shape !== $last->shape => [true, 0.85],
            self::sharesEdges($page, $last) => [false, 0.85],
            $page->heading !== '' && $page->heading !== $last->heading => [true, $blankBefore ? 0.9 : 0.8],
            $seen !== [] && $count === 0 => [true, 0.7],
            $blankBefore && self::isEnded($last) => [true, 0.6],
            default => [false, 0.75],
        };
    }

    /** Whether two pages have the same running head or foot, as pages of one paper do. */
    private static function sharesEdges(StackPage $page, StackPage $last): bool
    {
        $edge = static fn (string $text): string => (string) preg_replace('/\d+/', '#', mb_strtolower($text));
        $head = static fn (StackPage $one): string => $edge(mb_substr($one->text, 0, 28));
        $foot = static fn (StackPage $one): string => $edge(mb_substr($one->text, -28));

        return (mb_strlen($page->text) > 80 && $foot($page) === $foot($last)) ||
            ($page->heading === '' && $head($page) === $head($last));
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
        $text = $numbers === [] ? '' : $pages[$numbers[0]]->text;

        return mb_strimwidth($text, 0, 60, '…');
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
            $theirs = self::words(
                array_values(array_filter(range($part->first, $part->last), static fn (int $number) => ! $pages[$number]->isBlank)),
                $pages,
            );
            $both = count(array_intersect_key($own, $theirs));
            if ($both >= self::SAME * max(count($own), count($theirs))) {
                return $part->first;
            }
        }

        return null;
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
}
