<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Party;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\Signer;
use App\Models\SigningMark;
use App\Models\User;
use App\Signing\Actions\TakeDeskStep;
use App\Storage\Bytes;
use Unanimus\Pages\PageRules;
use Unanimus\Pages\PageWords;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Rect;
use Unanimus\Pages\ToolFailed;
use Unanimus\Pages\Word;
use Unanimus\Pages\WritingPlace;
use Unanimus\Pages\WritingPlaces;
use Unanimus\Signing\PlaceCheck;
use Unanimus\Signing\Seat;

/** What the page on which a round is composed works with: its marks, who may have one, what waits for an answer. */
final class RoundDesk
{
    /**
     * @return array{marks: list<array<string, mixed>>, seats: list<array<string, string>>, unclear: list<array<string, mixed>>,
     *     reading: list<string>, papers: list<int>, steps: array{back: string|null, again: string|null}}
     */
    public static function of(Round $round, User $by): array
    {
        $order = $round->papers->pluck('position', 'id');
        $asked = Seat::mayBeAsked($round->file->represents);
        $seats = $round->file->parties
            ->filter(static fn (Party $party) => in_array($party->role, $asked, true))
            ->sortBy(static fn (Party $party) => $party->seat()->order());

        return [
            'marks' => array_values(
                $round->marks->map(static fn (SigningMark $mark) => $mark->onDesk((int) $order[$mark->round_paper_id]))->all(),
            ),
            'seats' => [
                ...$seats->map(static fn (Party $party) => self::seat($party->seat(), $party->signing_name ?: $party->name))->values(),
                ...$round->signers
                    ->whereNull('party_id')
                    ->map(static fn (Signer $signer) => self::seat($signer->seatOf(), $signer->name))
                    ->values(),
            ],
            'unclear' => self::unclear($round),
            'stencils' => array_values(
                $round->papers
                    ->filter(static fn (RoundPaper $sent) => isset($sent->stencil['choices']))
                    ->map(
                        static fn (RoundPaper $sent) => [
                            'paper' => $sent->position,
                            'title' => $sent->title,
                            'choices' => $sent->stencil['choices'] ?? [],
                        ],
                    )
                    ->all(),
            ),
            'papers' => array_values($round->papers->pluck('position')->all()),
            'steps' => TakeDeskStep::next($round, $by),
            'reading' => array_values($round->papers->where('reading', true)->pluck('title')->all()),
        ];
    }

    /** @return array{seat: string, label: string, tone: string, name: string} */
    private static function seat(Seat $seat, string $name): array
    {
        return ['seat' => (string) $seat, 'label' => $seat->label(), 'tone' => $seat->tone(), 'name' => $name];
    }

    /** A round as it is stored now, with all that its desk shows. */
    public static function fresh(Round $round): Round
    {
        return Round::query()
            ->with(['file.office', 'file.knownFacts', 'file.parties', 'file.members', 'papers.paper.values', 'signers.party', 'marks'])
            ->findOrFail($round->id);
    }

    /** @return list<array{float, float}> sizes of the pages of a paper that is still open */
    public static function sizes(RoundPaper $sent): array
    {
        $form = $sent->paper->isDraft() ? $sent->paper->form() : null;

        return $form->pages ?? PdfLook::into(self::path($sent), gate: false)->pages();
    }

    /** @return list<array{float, float, float, float, string}> lines and squares of a page that a mark goes on: "line" or "tick" */
    public static function places(RoundPaper $sent, int $page): array
    {
        $path = self::path($sent);
        [$places] = WritingPlaces::on(PageWords::of($path, $page)[$page] ?? [], PageRules::of($path, $page));

        return array_values(
            array_map(
                static fn (WritingPlace $one) => [...$one->place->toArray(), $one->shape === 'tick' ? 'tick' : 'line'],
                $places,
            ),
        );
    }

    /** @return list<array{float, float, float, float, string}> the printed words of a page, for what goes through them */
    public static function words(RoundPaper $sent, int $page): array
    {
        return array_map(
            static fn (Word $word) => [$word->x, $word->y, $word->width, $word->height, 'word'],
            PageWords::of(self::path($sent), $page)[$page] ?? [],
        );
    }

    /** The printed words of a page that a place there would cover; empty where the page cannot be read for it. */
    public static function covered(RoundPaper $sent, int $page, Rect $place): string
    {
        try {
            return PlaceCheck::covered($place, PageWords::of(self::path($sent), $page)[$page] ?? []);
        } catch (ToolFailed) {
            return '';
        }
    }

    private static function path(RoundPaper $sent): string
    {
        $form = $sent->paper->isDraft() ? $sent->paper->form() : null;

        return $form->pdf ?? app(Bytes::class)->path((string) $sent->paper->latest?->sha256);
    }

    /** @return list<array{paper: int, title: string, word: string, count: int, pages: list<int>}> */
    private static function unclear(Round $round): array
    {
        $questions = [];
        foreach ($round->papers as $sent) {
            foreach (collect($sent->unclear)->groupBy('word') as $word => $places) {
                $questions[] = [
                    'paper' => $sent->position,
                    'title' => $sent->title,
                    'word' => (string) $word,
                    'count' => $places->count(),
                    'pages' => array_values($places->pluck('page')->unique()->all()),
                ];
            }
        }

        return $questions;
    }
}
