<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Paper;
use App\Models\Round;
use App\Models\RoundPaper;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\MadeBy;
use Unanimus\Forms\MarkPlace;
use Unanimus\Forms\UnwrittenPlaces;
use Unanimus\Parties\PartyRole;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\ProposedMark;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SeenPlace;

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
        $acts = [MarkKind::Signature, MarkKind::Initials];
        $signs = array_filter($all, static fn (ProposedMark $mark) => in_array($mark->kind, $acts, true));

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

    /**
     * What was found when it came in, without ink by now: on a scan of a form its places, on any other paper its lines.
     *
     * @return list<ProposedMark>
     */
    private static function found(Paper $paper): array
    {
        $text = DB::table('version_texts')->where('paper_version_id', $paper->latest_version_id)->first(['unwritten', 'places']);
        $kept = json_decode((string) ($text->unwritten ?? 'null'), true);
        $form = UnwrittenPlaces::fromArray(is_array($kept) ? $kept : null);
        $found = [];
        foreach ($form->marks ?? [] as ['mark' => $mark, 'page' => $page]) {
            $found[] = new ProposedMark($page, $mark->place, $mark->kind, $mark->seat, 'broker', 1.0);
        }
        foreach ((array) json_decode((string) ($text->places ?? '[]'), true) as $one) {
            $seen = SeenPlace::fromArray((array) $one);
            $seen === null || $seen->isWritten || ($found[] = new ProposedMark(
                $seen->page,
                $seen->place,
                $seen->kind,
                $seen->seat,
                'broker',
                $seen->sure,
            ));
        }

        return array_values(array_filter($found, static fn (ProposedMark $mark) => $mark->seat?->role === PartyRole::Broker));
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
            Round::query()->where('countersigns', $paper->id)->where('status', RoundStatus::Complete)->exists();
    }
}
