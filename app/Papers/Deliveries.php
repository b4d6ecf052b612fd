<?php

declare(strict_types=1);

namespace App\Papers;

use App\Models\DealFile;
use App\Models\Delivery;
use App\Models\Paper;
use App\Models\Party;
use App\Models\Requirement;
use Illuminate\Support\Collection;
use Unanimus\Files\Executed;
use Unanimus\Files\MadeBy;
use Unanimus\Parties\Side;
use Unanimus\Review\ReviewState;
use Unanimus\Signing\RoundStatus;

/** The executed papers of a file, and whether each has reached those it is owed to. */
final readonly class Deliveries
{
    /**
     * @param list<Party> $parties everyone to whom something is owed
     * @param list<array{paper: Paper, owed: array<int, Delivery|null>}> $rows by the party's id
     */
    private function __construct(public array $parties, public array $rows)
    {
    }

    /** @param  DealFile  $file  with its papers, their latest versions and what came back, its parties, requirements and rounds */
    public static function of(DealFile $file): self
    {
        $own = array_values(array_filter($file->kind->sides(), static fn (Side $side) => $file->isOwnAffair($side) &&
            ($file->represents->isBoth() || $file->represents->side() === $side)));
        $seated = $file->parties->keyBy(static fn (Party $party) => (string) $party->seat());
        $accepted = $file->requirements->where('review_state', ReviewState::Accepted)->pluck('paper_id')->all();
        // What was signed and accepted before the brokerage moved in was given out there.
        $earlier = $file->requirements
            ->filter(static fn (Requirement $one) => $one->acceptedEarlier() !== '')
            ->pluck('paper_id')
            ->all();
        $executed = $file->papers->whereNotIn('id', $earlier)->filter(static function (Paper $paper) use ($accepted): bool {
            $is = static fn (bool $isForSigning): bool => Executed::is(
                $paper->state,
                $paper->latest?->made_by === MadeBy::Uploaded,
                in_array($paper->id, $accepted, true),
                $isForSigning,
            );

            // Of most papers it is known without reading the form they are on.
            return $is(true) && ($is(false) || ($paper->form()->marks ?? []) !== []);
        });
        $versions = $executed->pluck('latest_version_id');
        $there = ($executed->isEmpty() ? new Collection() : Delivery::query()->whereIn('paper_version_id', $versions)->get())
            ->keyBy(static fn (Delivery $one) => "{$one->paper_version_id} {$one->party_id}");
        $signed = $executed->isEmpty() ? [] : self::signers($file, $executed);
        $taken = array_map(strval(...), array_keys($seated->all()));
        [$rows, $owing] = [[], []];
        foreach ($executed->sortBy('position') as $paper) {
            $here = $signed[$paper->id] ?? [];
            $places = array_values(array_unique([...$here, ...$paper->form()?->seats() ?? []]));
            // What our side has signed and the other has not is not executed; of a scan the reviewer has said so.
            if ($paper->latest?->made_by !== MadeBy::Uploaded && ! Executed::isByAll($places, $here, $taken)) {
                continue;
            }
            $owed = [];
            foreach (Executed::owedTo($places, $own) as $seat) {
                $party = $seated->get($seat);
                if ($party !== null) {
                    $owed[$party->id] = $there->get("{$paper->latest_version_id} {$party->id}");
                    $owing[$party->id] = $party;
                }
            }
            $owed === [] || ($rows[] = ['paper' => $paper, 'owed' => $owed]);
        }
        uasort($owing, static fn (Party $a, Party $b) => $a->seat()->order() <=> $b->seat()->order());

        return new self(array_values($owing), $rows);
    }

    /** How many papers have not reached everyone. */
    public function open(): int
    {
        return count(array_filter($this->rows, static fn (array $row) => in_array(null, $row['owed'], true)));
    }

    /** @return list<Paper> what somebody has not got */
    public function missingFor(Party $party): array
    {
        $missing = array_filter(
            $this->rows,
            static fn (array $row) => array_key_exists($party->id, $row['owed']) && $row['owed'][$party->id] === null,
        );

        return array_values(array_column($missing, 'paper'));
    }

    /**
     * Who signed each here, and for the other side's clients in what their agent brought back.
     *
     * @param Collection<int, Paper> $papers
     * @return array<int, list<string>> seats by paper
     */
    private static function signers(DealFile $file, Collection $papers): array
    {
        $signs = [];
        $rounds = $file->rounds->where('status', RoundStatus::Complete)->where('rehearsal', false);
        foreach ($rounds as $round) {
            $papersOf = $round->papers->pluck('paper_id', 'id');
            foreach ($round->marks as $mark) {
                $signs[$papersOf[$mark->round_paper_id] ?? 0][$mark->seat] = true;
            }
        }
        foreach ($papers as $paper) {
            foreach ($paper->returned->where('settled', 'taken')->flatMap(static fn ($one) => $one->returned_seats) as $seat) {
                $signs[$paper->id][$seat] = true;
            }
        }

        return array_map(static fn (array $of) => array_map(strval(...), array_keys($of)), $signs);
    }
}
