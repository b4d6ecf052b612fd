<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Rect;
use Unanimus\Pages\Word;

/**
 * What may be wrong with the places of a round: two on one spot, one over printed words, a page without the initials that its
 * neighbours have, one of
 * two buyers who signs nothing on a paper that the other signs. None of it keeps a round from going out; the sender looks.
 */
final class PlaceCheck
{
    /** Two places are on one spot when so much of the smaller one lies under the other. */
    private const UNDER = 0.4;

    /** A word is covered when so much of its breadth and of its height lies under the place. */
    private const COVERED = 0.45;

    /** Initials belong on every page when at least so many of a paper's pages have them. */
    private const MOST_PAGES = 0.5;

    /**
     * @param list<PlannedMark> $marks
     * @param array<string, PlannedPaper> $papers by key
     * @param array<string, int> $pages how many each paper has, by key
     * @param array<string, string> $names of all who could be asked, by seat, in order
     * @return list<RoundFault>
     */
    public static function faults(array $marks, array $papers, array $pages, array $names): array
    {
        $faults = [];
        foreach ($papers as $key => $paper) {
            $there = array_values(array_filter($marks, static fn (PlannedMark $mark) => $mark->paper === $key));
            array_push(
                $faults,
                ...self::onOneSpot($there, $paper, $names),
                ...self::overText($there, $paper, $names),
                ...self::withoutInitials($there, $paper, $pages[$key] ?? 0, $names),
                ...self::signsAlone($there, $paper, $names),
            );
        }

        return $faults;
    }

    /**
     * @param list<PlannedMark> $marks
     * @param array<string, string> $names
     * @return list<RoundFault>
     */
    private static function onOneSpot(array $marks, PlannedPaper $paper, array $names): array
    {
        $faults = [];
        foreach ($marks as $index => $one) {
            foreach (array_slice($marks, $index + 1) as $other) {
                if ($one->page === $other->page && self::covers($one, $other)) {
                    $who = implode(' and ', array_unique([self::name($one->seat, $names), self::name($other->seat, $names)]));
                    $faults[] = new RoundFault(
                        RoundFaultKind::OnOneSpot,
                        "Two places are on one spot on page {$one->page} of “{$paper->title}” ({$who}).",
                        paper: $paper->key,
                        mark: $other->key,
                    );
                }
            }
        }

        return $faults;
    }

    /**
     * @param list<PlannedMark> $marks
     * @param array<string, string> $names
     * @return list<RoundFault>
     */
    private static function overText(array $marks, PlannedPaper $paper, array $names): array
    {
        return array_values(
            array_map(
                static fn (PlannedMark $mark) => new RoundFault(
                    RoundFaultKind::OverText,
                    'The place of '.self::name($mark->seat, $names)." on page {$mark->page} of “{$paper->title}” covers “{$mark->covers}”.",
                    paper: $paper->key,
                    mark: $mark->key,
                ),
                array_filter($marks, static fn (PlannedMark $mark) => $mark->covers !== ''),
            ),
        );
    }

    /**
     * The printed words that a place would cover, at most five of them; empty when it stands free. Rules of underscores and dots
     * and empty boxes are there to be written on.
     *
     * @param list<Word> $words of the page
     */
    public static function covered(Rect $place, array $words): string
    {
        $under = [];
        foreach ($words as $word) {
            $width = min($place->x + $place->width, $word->right()) - max($place->x, $word->x);
            $height = min($place->y + $place->height, $word->bottom()) - max($place->y, $word->y);
            if ($width > self::COVERED * $word->width && $height > self::COVERED * $word->height && self::isText($word)) {
                $under[] = $word->text;
            }
        }

        return implode(' ', array_slice($under, 0, 5)).(count($under) > 5 ? ' …' : '');
    }

    private static function isText(Word $word): bool
    {
        return preg_match('/\p{L}{2}|\d/u', $word->text) === 1;
    }

    private static function covers(PlannedMark $one, PlannedMark $other): bool
    {
        [$a, $b] = [$one->place, $other->place];
        $width = min($a->x + $a->width, $b->x + $b->width) - max($a->x, $b->x);
        $height = min($a->y + $a->height, $b->y + $b->height) - max($a->y, $b->y);

        return $width > 0 && $height > 0 && $width * $height > self::UNDER * min($a->width * $a->height, $b->width * $b->height);
    }

    /**
     * @param list<PlannedMark> $marks
     * @param array<string, string> $names
     * @return list<RoundFault>
     */
    private static function withoutInitials(array $marks, PlannedPaper $paper, int $pages, array $names): array
    {
        $initialled = [];
        foreach ($marks as $mark) {
            $mark->kind === MarkKind::Initials && ($initialled[(string) $mark->seat][$mark->page] ??= $mark);
        }
        $faults = [];
        foreach ($initialled as $seat => $on) {
            // Where someone signs on a page in full, initials are not missing there.
            $signed = array_filter($marks, static fn (PlannedMark $mark) => (string) $mark->seat === $seat);
            $missing = array_diff(range(1, max(1, $pages)), array_map(static fn (PlannedMark $mark) => $mark->page, $signed));
            if ($pages < 3 || $missing === [] || count($on) < self::MOST_PAGES * $pages) {
                continue;
            }
            $where = (count($missing) === 1 ? 'page ' : 'pages ').implode(', ', $missing);
            $faults[] = new RoundFault(
                RoundFaultKind::WithoutInitials,
                self::name(Seat::of($seat), $names)." initials the other pages of “{$paper->title}”, not {$where}.",
                paper: $paper->key,
                mark: reset($on)->key,
            );
        }

        return $faults;
    }

    /**
     * @param list<PlannedMark> $marks
     * @param array<string, string> $names
     * @return list<RoundFault>
     */
    private static function signsAlone(array $marks, PlannedPaper $paper, array $names): array
    {
        $signing = [];
        foreach ($marks as $mark) {
            $mark->kind === MarkKind::Signature && $mark->seat->role->isClient() && ($signing[(string) $mark->seat] = $mark->seat);
        }
        $faults = [];
        foreach (array_diff_key($names, $signing) as $seat => $name) {
            $beside = array_filter($signing, static fn (Seat $one) => $one->role === Seat::of((string) $seat)->role);
            if ($beside !== []) {
                $faults[] = new RoundFault(
                    RoundFaultKind::SignsNothing,
                    "{$name} signs nothing on “{$paper->title}”, but ".self::name(reset($beside), $names).' does.',
                    paper: $paper->key,
                );
            }
        }

        return $faults;
    }

    /** @param  array<string, string>  $names */
    private static function name(Seat $seat, array $names): string
    {
        return $names[(string) $seat] ?? $seat->label();
    }
}
