<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Paper;
use App\Models\PaperPiece;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Papers\PaperView;
use Illuminate\Database\Eloquent\Collection;
use Unanimus\Forms\MarkPlace;
use Unanimus\Signing\ChangePlaces;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\Seat;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

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

    /**
     * Asks those again who signed the changed paper and are in no file.
     *
     * @return array<string, int> turn by seat
     *
     * @throws StepRefused when somebody else is asked in their place here
     */
    public static function askAgain(Round $round, Paper $change): array
    {
        $turns = [];
        foreach ($change->change_of === null ? [] : self::rounds($change->change_of) as $sent) {
            $here = $sent->round->marks->where('round_paper_id', $sent->id)->pluck('seat')->all();
            foreach ($sent->round->signers->whereNull('party_id')->whereIn('seat', $here) as $signer) {
                $there = $round->signers()->where('seat', $signer->seat)->first();
                $there === null || $there->name === $signer->name || throw SigningRefusal::ChangeByItself->because(title: $change->title);
                $turns[$signer->seat] = ($there ?? RoundCopy::askAgain($sent->round, $round, $signer))->turn ?? 1;
            }
        }

        return $turns;
    }

    /** @return Collection<int, RoundPaper> in which a paper was signed, the first first */
    private static function rounds(int $paper): Collection
    {
        return RoundPaper::query()
            ->where('paper_id', $paper)
            ->whereHas('round', static fn ($round) => $round->where('status', RoundStatus::Complete)->where('rehearsal', false))
            ->with(['round.marks', 'round.signers'])
            ->orderBy('id')
            ->get();
    }

    /** @return list<Seat> of those who signed the paper that is changed, the first round of it first */
    private static function signed(int $paper): array
    {
        $seats = [];
        foreach (self::rounds($paper) as $one) {
            foreach ($one->round->marks->where('round_paper_id', $one->id) as $mark) {
                in_array($mark->kind, [MarkKind::Signature, MarkKind::Initials], true) && ($seats[$mark->seat] = $mark->seatOf());
            }
        }
        uasort($seats, static fn (Seat $a, Seat $b) => $a->order() <=> $b->order());

        return array_values($seats);
    }
}
