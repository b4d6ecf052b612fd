<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Paper;
use App\Models\Party;
use App\Models\RoundPaper;
use App\Models\Sight;
use Unanimus\Files\MadeBy;
use Unanimus\Forms\MarkPlace;
use Unanimus\Parties\PartyRole;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\ProposedMark;
use Unanimus\Signing\RoundStatus;

/** Where a paper that was submitted has places for the broker, who has not signed there. */
final class CounterPlaces
{
    /** @return list<ProposedMark> signature, initials, dates and the like; none where the page does not say */
    public static function on(Paper $paper): array
    {
        if (self::isSigned($paper)) {
            return [];
        }
        $all = $paper->latest?->made_by === MadeBy::Signed ? self::ofForm($paper) : self::found($paper);
        $signs = array_filter($all, static fn (ProposedMark $mark) => in_array($mark->kind, [MarkKind::Signature, MarkKind::Initials], true));

        return $signs === [] ? [] : $all;
    }

    /** @return list<ProposedMark> the places of the library's form, whose pages a signed paper has */
    private static function ofForm(Paper $paper): array
    {
        $marks = array_filter(
            $paper->form()->marks ?? [],
            static fn (MarkPlace $mark) => $mark->seat->role === PartyRole::Broker && ! $mark->kind->isEntered(),
        );

        return array_values(array_map(
            static fn (MarkPlace $mark) => new ProposedMark($mark->page, $mark->place, $mark->kind, $mark->seat, 'broker', 1.0),
            $marks,
        ));
    }

    /** @return list<ProposedMark> */
    private static function found(Paper $paper): array
    {
        $parties = Sight::asTheFile(
            $paper->deal_file_id,
            static fn () => $paper->file->parties()->get()->keyBy(static fn (Party $party) => (string) $party->seat())->all(),
        );
        $found = FoundMarks::on($paper, $parties, [PartyRole::Broker], FoundMarks::mustBeRead($paper));

        return array_values(array_filter(
            $found,
            static fn (ProposedMark $mark) => $mark->seat?->role === PartyRole::Broker && ! $mark->kind->isEntered(),
        ));
    }

    private static function isSigned(Paper $paper): bool
    {
        return RoundPaper::query()
            ->where('paper_id', $paper->id)
            ->whereHas('round', static fn ($round) => $round
                ->where('status', RoundStatus::Complete)
                ->where('rehearsal', false)
                ->whereHas('marks', static fn ($marks) => $marks->where('seat', 'like', 'broker.%')->where('kind', MarkKind::Signature)))
            ->exists() ||
            \App\Models\Round::query()->where('countersigns', $paper->id)->where('status', RoundStatus::Complete)->exists();
    }
}
