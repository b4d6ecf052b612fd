<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\Paper;
use App\Models\Party;
use App\Models\RoundPaper;
use App\Models\Sight;
use App\Models\SigningMark;
use App\Signing\FoundMarks;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Pages\Rect;
use Unanimus\Signing\MarkTerms;
use Unanimus\Signing\ProposedMark;
use Unanimus\Signing\RoundPlan;
use Unanimus\Signing\RoundStatus;

/** What was found on a paper stands in pencil on its round: at once, or once a scan was read. */
final class PlaceFound
{
    /**
     * Reads a scan and places what it finds; done already, or for a round that went out meanwhile, it does nothing.
     *
     * @param int $thing the paper in its round
     */
    public function work(int $brokerageId, int $thing): void
    {
        $read = Sight::within($brokerageId, function () use ($thing): ?array {
            $sent = $this->open($thing);

            return $sent === null ? null : [$sent->paper, ...self::whom($sent)];
        });
        if ($read === null) {
            return;
        }
        [$paper, $parties, $taken, $asked] = $read;
        // Some seconds for each page: nothing in the database is held meanwhile.
        $found = FoundMarks::on($paper, $parties, $asked, scans: true);
        Sight::within($brokerageId, function () use ($thing, $found, $parties, $taken): void {
            $sent = $this->open($thing);
            if ($sent === null) {
                return;
            }
            $placed = $this->place($sent, $found, $parties, $taken);
            $sent->update(['reading' => false, 'unclear' => [...$sent->unclear, ...self::unclear($found)]]);
            $round = $sent->round;
            $data = ['round' => $round->title, 'paper' => $sent->title, 'count' => $placed];
            History::add($round->brokerage_id, $round->deal_file_id, 'Scan read', $data, SeenBy::side($round->side));
        });
    }

    /** Looks for places on a paper of a round that is held, as when it was put there. */
    public function again(RoundPaper $sent): void
    {
        [$parties, $taken, $asked] = self::whom($sent);
        $found = FoundMarks::on($sent->paper, $parties, $asked);
        $this->place($sent, $found, $parties, $taken);
        // Where a mark stands by now the question was answered.
        $there = $sent->round->marks()->where('round_paper_id', $sent->id)->get();
        $isOpen = static fn (array $one): bool => ! $there->contains(
            static fn (SigningMark $mark) => $mark->page === $one['page'] && $mark->place()->overlaps(new Rect(...$one['place'])),
        );
        $sent->update(['unclear' => array_values(array_filter(self::unclear($found), $isOpen))]);
    }

    /**
     * Places that name somebody without saying whom; asked once, at the paper.
     *
     * @param list<ProposedMark> $found
     * @return list<array{word: string, kind: string, page: int, place: array{float, float, float, float}, sure: float}>
     */
    public static function unclear(array $found): array
    {
        $unclear = array_filter($found, static fn (ProposedMark $mark) => $mark->seat === null);

        return array_values(
            array_map(
                static fn (ProposedMark $mark) => [
                    'word' => $mark->word,
                    'kind' => $mark->kind->value,
                    'page' => $mark->page,
                    'place' => $mark->place->toArray(),
                    'sure' => round($mark->sure, 2),
                ],
                $unclear,
            ),
        );
    }

    /** @return array<string, mixed> in pencil, until its sender keeps it */
    public static function mark(ProposedMark $mark): array
    {
        return [
            'seat' => (string) $mark->seat,
            'kind' => $mark->kind,
            'page' => $mark->page,
            'x' => $mark->place->x,
            'y' => $mark->place->y,
            'width' => $mark->place->width,
            'height' => $mark->place->height,
            'sure' => round($mark->sure, 2),
            // Nobody is kept from finishing by a line that was only found.
            'terms' => (new MarkTerms(! $mark->kind->isEntered(), $mark->hint, $mark->format))->toArray($mark->kind),
        ];
    }

    /** The paper as it waits to be read, its round held; null when it was read, or its round is no draft any more. */
    private function open(int $thing): ?RoundPaper
    {
        $sent = RoundPaper::query()
            ->with(['paper.latest', 'round.file'])
            ->where('reading', true)
            ->find($thing);
        $status = $sent === null ? null : DB::table('rounds')->where('id', $sent->round_id)->lockForUpdate()->value('status');

        return $status === RoundStatus::Drafting->value ? $sent : null;
    }

    /** @return array{array<string, Party>, list<string>, list<\Unanimus\Parties\PartyRole>} */
    private static function whom(RoundPaper $sent): array
    {
        $parties = $sent->round->file
            ->parties()
            ->with('contact')
            ->get()
            ->keyBy(static fn (Party $party) => (string) $party->seat())
            ->all();

        return [$parties, array_map(strval(...), array_keys($parties)), $sent->round->file->asks()];
    }

    /**
     * @param list<ProposedMark> $found
     * @param array<string, Party> $parties
     * @param list<string> $taken
     */
    private function place(RoundPaper $sent, array $found, array $parties, array $taken): int
    {
        $round = $sent->round;
        $seats = array_values(array_filter(array_map(static fn (ProposedMark $mark) => $mark->seat, $found)));
        $turns = RoundPlan::turns($round->file->represents, $seats, $taken);
        $there = $round->marks()->where('round_paper_id', $sent->id)->get();
        $position = (int) $round->marks()->max('position');
        $placed = 0;
        foreach ($found as $mark) {
            $seat = (string) $mark->seat;
            // Where somebody has put one by hand meanwhile it stays theirs.
            $isTaken = $there->contains(
                static fn (SigningMark $one) => $one->page === $mark->page &&
                    (new Rect((float) $one->x, (float) $one->y, (float) $one->width, (float) $one->height))->overlaps($mark->place),
            );
            if (! isset($turns[$seat]) || $isTaken) {
                continue;
            }
            $round->signers()->where('seat', $seat)->exists() || PlaceMarks::ask($round, $parties[$seat], $turns[$seat]);
            $round->marks()->create([
                'brokerage_id' => $round->brokerage_id,
                'deal_file_id' => $round->deal_file_id,
                'round_paper_id' => $sent->id,
                'position' => ++$position,
                ...self::mark($mark),
            ]);
            $placed++;
        }

        return $placed;
    }
}
