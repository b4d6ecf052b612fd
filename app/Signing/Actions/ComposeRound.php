<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\KnownFact;
use App\Models\Paper;
use App\Models\Party;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\Signer;
use App\Models\SigningMark;
use App\Models\User;
use App\Terms\FactBook;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\MadeBy;
use Unanimus\Files\SeenBy;
use Unanimus\Forms\Blank;
use Unanimus\Forms\ContractForms;
use Unanimus\Requirements\FactCatalog;
use Unanimus\Signing\PlaceCheck;
use Unanimus\Signing\PlannedMark;
use Unanimus\Signing\PlannedPaper;
use Unanimus\Signing\PlannedSigner;
use Unanimus\Signing\RoundFault;
use Unanimus\Signing\RoundPlan;
use Unanimus\Signing\Seat;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\Facts;

/** Lays out a round from papers of the file: who signs follows from the forms' marks and who sits in the file. */
final class ComposeRound
{
    public function __construct(private readonly PutPapers $put)
    {
    }

    /**
     * @param list<Paper> $papers
     *
     * @throws StepRefused when a paper cannot go out
     */
    public function __invoke(DealFile $file, array $papers, User $by): Round
    {
        RoundPlan::mustGoOut(array_map(static fn (Paper $paper) => [$paper->title, $paper->state], $papers));
        $side = array_values(array_filter(array_map(static fn (Paper $paper) => $paper->side, $papers)))[0] ?? null;
        $round = Round::create([
            'side' => $side,
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'title' => self::title($papers),
            'user_id' => $by->id,
            'last_day' => $file->office->today()->plusDays(RoundPlan::DAYS),
        ]);
        ($this->put)($round->setRelation('file', $file), $papers, $by);
        History::add($file->brokerage_id, $file->id, 'Round drafted', ['round' => $round->title], SeenBy::side($side));

        return $round;
    }

    /** @return list<RoundFault> what is wrong with a round that has not been sent */
    public static function faults(Round $round, ?Facts $facts = null): array
    {
        $facts ??= FactBook::of($round->file);
        $names = self::names($round);
        // A set has hundreds of places: they are gone through once.
        $there = $pencil = $places = [];
        foreach ($round->marks as $mark) {
            $paper = $mark->round_paper_id;
            $there[$paper] = true;
            $pencil[$paper] = ($pencil[$paper] ?? 0) + ($mark->sure === null ? 0 : 1);
            $mark->kind->needsAct() && ($places[$mark->seat] = ($places[$mark->seat] ?? 0) + 1);
        }
        $signers = $round->signers->map(
            static fn (Signer $signer) => new PlannedSigner(
                $signer->key,
                $signer->name,
                $signer->email ?? '',
                $round->file->isOwnAffair($signer->seatOf()->side()),
                $places[$signer->seat] ?? 0,
                ($names[$signer->seat] ?? $signer->name) === $signer->name ? '' : $names[$signer->seat],
                $signer->part,
            ),
        );
        $papers = $round->papers->map(static function (RoundPaper $sent) use ($there, $pencil, $facts): PlannedPaper {
            // On pages from outside nothing is filled in any more.
            $isFixed = $sent->paper->latest?->made_by === MadeBy::Uploaded && ! $sent->paper->isDraft();
            $missing = $isFixed ? [] : $sent->paper->filling($facts)?->missing() ?? [];

            return new PlannedPaper(
                $sent->paper->key,
                $sent->title,
                $sent->paper->state,
                isset($there[$sent->id]),
                array_map(static fn (Blank $blank) => $blank->label, $missing),
                $pencil[$sent->id] ?? 0,
                array_values(array_unique(array_column($sent->unclear, 'word'))),
                $sent->reading,
                max(0, $sent->pages - count($sent->seen)),
            );
        });
        $planned = $papers->keyBy(static fn (PlannedPaper $paper) => $paper->key)->all();
        $pages = $round->papers->mapWithKeys(static fn (RoundPaper $sent) => [$sent->paper->key => $sent->pages])->all();

        return [
            ...RoundPlan::faults(
                array_values($signers->all()),
                array_values($papers->all()),
                $round->last_day,
                self::offerUntil($round, $facts),
                array_map(FactCatalog::label(...), self::unchecked($round)),
                $round->file->office->today(),
            ),
            ...PlaceCheck::faults(self::marks($round), $planned, $pages, $names),
        ];
    }

    /** The day the offer runs out, while nothing is accepted: as the file has it, else as a paper on another form says. */
    private static function offerUntil(Round $round, Facts $facts): ?LocalDate
    {
        if ($facts->value('acceptance') !== null) {
            return null;
        }
        $known = $facts->value('offer_expiry');
        if ($known !== null) {
            return LocalDate::of($known);
        }
        $today = $round->file->office->today();
        foreach ($round->papers as $sent) {
            foreach ($sent->paper->latest?->read()->said ?? [] as $one) {
                if ($one->name === 'offer_expiry') {
                    return LocalDate::parse($one->value, $today);
                }
            }
        }

        return null;
    }

    /** @return array<string, string> who could be asked, by seat, as they sign */
    private static function names(Round $round): array
    {
        $asked = $round->file->asks();

        return $round->file->parties
            ->filter(static fn (Party $party) => in_array($party->role, $asked, true))
            ->sortBy(static fn (Party $party) => $party->seat()->order())
            ->mapWithKeys(static fn (Party $party) => [(string) $party->seat() => $party->signing_name ?: $party->name])
            ->all();
    }

    /** @return list<PlannedMark> */
    private static function marks(Round $round): array
    {
        $papers = $round->papers->mapWithKeys(static fn (RoundPaper $sent) => [$sent->id => $sent->paper->key]);

        return array_values(
            $round->marks
                ->map(static fn (SigningMark $mark) => $mark->planned($papers[$mark->round_paper_id]))
                ->all(),
        );
    }

    /** @return list<string> names of facts from elsewhere that stand on a contract of the round and that nobody has checked */
    public static function unchecked(Round $round): array
    {
        $bound = [];
        foreach ($round->papers as $sent) {
            $form = ContractForms::has($sent->paper->form_number) ? $sent->paper->form() : null;
            $entered = $form === null ? [] : $sent->paper->entries();
            foreach ($form->blanks ?? [] as $blank) {
                $blank->binding === null || isset($entered[$blank->name]) || ($bound[$blank->binding] = true);
            }
        }
        // The address is put together from its parts.
        isset($bound['property.address']) && ($bound += ['property.street' => true, 'property.unit' => true, 'property.city' => true]);

        return array_values(
            $round->file->knownFacts
                ->filter(static fn (KnownFact $fact) => isset($bound[$fact->name]) && $fact->isUnchecked())
                ->pluck('name')
                ->all(),
        );
    }

    /** @param  non-empty-list<Paper>  $papers */
    public static function title(array $papers): string
    {
        $more = count($papers) - 1;

        return $papers[0]->title.($more === 0 ? '' : ' and '.([1 => 'one', 2 => 'two', 3 => 'three'][$more] ?? $more).' more');
    }
}
