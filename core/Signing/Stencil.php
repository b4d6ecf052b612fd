<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Word;
use Unanimus\Parties\PartyRole;
use Unanimus\Steps\StepRefused;

/**
 * The places to sign of a paper, kept to be used again. The paper is known again by its words, however it is called, printed
 * or filled in, and each place goes where the words around it went.
 */
final readonly class Stencil
{
    /** So much of its pages must stand on a paper, on average, for a stencil to fit. */
    public const FITS = 0.6;

    /** So much of its title must stand in the title of a paper. */
    private const TITLE = 0.7;

    /**
     * @param list<StencilPage> $pages all of them
     * @param non-empty-list<StencilMark> $marks
     * @param list<string> $title words of the title of its paper
     */
    private function __construct(private array $pages, public array $marks, private array $title)
    {
    }

    /**
     * A stencil of a paper.
     *
     * @param array<int, list<Word>> $words by page, from 1
     * @param list<array{float, float}> $sizes width and height of each page in points
     * @param list<StencilMark> $marks
     *
     * @throws StepRefused when nothing is marked, or too little text is on the paper to know it again
     */
    public static function of(array $words, array $sizes, array $marks): self
    {
        $marks !== [] || throw SigningRefusal::NothingMarked->because();
        $marked = array_flip(array_map(static fn (StencilMark $mark) => $mark->page, $marks));
        $pages = [];
        foreach ($sizes as $index => $size) {
            $pages[] = StencilPage::of($index + 1, $words[$index + 1] ?? [], $size, isset($marked[$index + 1]));
        }
        $first = self::first($pages) ?? throw SigningRefusal::TooLittleText->because();

        return new self($pages, $marks, StencilPage::title($words[$first] ?? []));
    }

    /**
     * Lays it over a paper.
     *
     * @param array<int, list<Word>> $words by page, from 1
     * @param list<array{float, float}> $sizes width and height of each page in points
     * @return StencilFit|null null when it is another paper
     */
    public function over(array $words, array $sizes): ?StencilFit
    {
        $pairs = array_map(StencilPage::pairs(...), $words);
        $on = [];
        [$found, $all] = [0.0, 0];
        foreach ($this->pages as $page) {
            [$best, $share] = self::likest($page, $pairs, $on === [] ? 0 : max($on));
            // A page with much on it says more.
            $found += $share * count($page->sample);
            $all += count($page->sample);
            $share >= self::FITS / 2 && ($on[$page->number] = $best);
        }
        $share = $all === 0 ? 0.0 : $found / $all;
        $title = StencilPage::title($words[$on[self::first($this->pages)] ?? 0] ?? []);
        if ($share < self::FITS || StencilPage::likeTitles($this->title, $title) < self::TITLE) {
            return null;
        }
        $marks = $this->placed($words, $sizes, $on);

        return $marks === [] ? null : new StencilFit(round($share, 3), $marks);
    }

    /** The same with what is one role's made another's, "the same for sellers"; what is of others stays. */
    public function forRole(PartyRole $from, PartyRole $to): self
    {
        return new self(
            $this->pages,
            array_map(
                static fn (StencilMark $mark) => $mark->seat->role === $from ? $mark->of(Seat::at($to, $mark->seat->number)) : $mark,
                $this->marks,
            ),
            $this->title,
        );
    }

    /** @return list<Seat> whose places it has, in order */
    public function seats(): array
    {
        $seats = [];
        foreach ($this->marks as $mark) {
            $seats[(string) $mark->seat] = $mark->seat;
        }
        uasort($seats, static fn (Seat $a, Seat $b) => $a->order() <=> $b->order());

        return array_values($seats);
    }

    /** How many pages its paper has. */
    public function pageCount(): int
    {
        return count($this->pages);
    }

    /**
     * As written by {@see toArray}.
     *
     * @param array{pages: list<array<string, mixed>>, marks: non-empty-list<array<string, mixed>>, title: list<string>} $data
     */
    public static function fromArray(array $data): self
    {
        return new self(
            array_map(StencilPage::fromArray(...), $data['pages']),
            array_map(StencilMark::fromArray(...), $data['marks']),
            $data['title'],
        );
    }

    /** @return array{pages: list<array<string, mixed>>, marks: non-empty-list<array<string, mixed>>, title: list<string>} */
    public function toArray(): array
    {
        return [
            'pages' => array_map(static fn (StencilPage $page) => $page->toArray(), $this->pages),
            'marks' => array_map(static fn (StencilMark $mark) => $mark->toArray(), $this->marks),
            'title' => $this->title,
        ];
    }

    /**
     * The first page with enough on it to know it by; null when there is none.
     *
     * @param list<StencilPage> $pages
     */
    private static function first(array $pages): ?int
    {
        foreach ($pages as $page) {
            if ($page->sample !== []) {
                return $page->number;
            }
        }

        return null;
    }

    /**
     * The page most like one of ours. Of two that are equally like, the next after the one before is meant.
     *
     * @param array<int, array<int, true>> $pairs by page
     * @return array{int, float}
     */
    private static function likest(StencilPage $page, array $pairs, int $before): array
    {
        $best = [0, 0.0];
        foreach ($pairs as $number => $there) {
            $share = $page->shareIn($there);
            if ($share > $best[1] || ($share === $best[1] && $best[0] <= $before && $number > $before)) {
                $best = [$number, $share];
            }
        }

        return $best;
    }

    /**
     * @param array<int, list<Word>> $words
     * @param list<array{float, float}> $sizes
     * @param array<int, int> $on page of the paper by page of the stencil
     * @return list<StencilMark>
     */
    private function placed(array $words, array $sizes, array $on): array
    {
        $placed = [];
        foreach ($this->pages as $page) {
            $number = $on[$page->number] ?? null;
            $fit = $number === null ? null : PageFit::between($page->words, $words[$number] ?? []);
            if ($number === null || $fit === null) {
                continue;
            }
            foreach ($this->marks as $mark) {
                if ($mark->page === $page->number) {
                    $place = MarkSpot::on($mark->kind, $fit->place($mark->place)->toArray(), $sizes[$number - 1]);
                    $placed[] = $mark->at($number, $place);
                }
            }
        }

        return $placed;
    }
}
