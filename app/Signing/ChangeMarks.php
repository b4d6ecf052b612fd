<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Paper;
use App\Models\PaperPiece;
use App\Models\RoundPaper;
use App\Papers\PaperView;
use Unanimus\Forms\MarkPlace;
use Unanimus\Signing\ChangePlaces;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\Seat;

/** Initials beside what was changed on a signed paper, of everyone who signed it. */
final class ChangeMarks
{
    /** @return list<MarkPlace> */
    public static function on(Paper $change): array
    {
        $sha256 = $change->latest?->sha256;
        if ($change->change_of === null || $sha256 === null) {
            return [];
        }

        return array_map(
            static fn (array $one) => new MarkPlace(MarkKind::Initials, $one['seat'], $one['page'], $one['place']),
            ChangePlaces::beside(PaperPiece::layer($change), self::signed($change->change_of), PaperView::sizes($sha256)),
        );
    }

    /** @return list<Seat> of those who signed the paper that is changed, the first round of it first */
    private static function signed(int $paper): array
    {
        $seats = [];
        $sent = RoundPaper::query()
            ->where('paper_id', $paper)
            ->whereHas('round', static fn ($round) => $round->where('status', RoundStatus::Complete)->where('rehearsal', false))
            ->with('round.marks')
            ->orderBy('id')
            ->get();
        foreach ($sent as $one) {
            foreach ($one->round->marks->where('round_paper_id', $one->id) as $mark) {
                in_array($mark->kind, [MarkKind::Signature, MarkKind::Initials], true) && ($seats[$mark->seat] = $mark->seatOf());
            }
        }
        uasort($seats, static fn (Seat $a, Seat $b) => $a->order() <=> $b->order());

        return array_values($seats);
    }
}
