<?php

declare(strict_types=1);

namespace App\Overview;

use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Party;
use App\Models\Requirement;
use App\Models\Round;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Parties\PartyRole;
use Unanimus\Requirements\Stage;
use Unanimus\Review\NextStep;
use Unanimus\Review\ReviewState;
use Unanimus\Review\SubmitCheck;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SignerStatus;
use Unanimus\Terms\Facts;

/** The accord board: papers down, seats across, who owes what on which paper, and the one next step for each row. */
final readonly class Board
{
    /**
     * @param list<Party> $seats the columns
     * @param array<string, list<BoardRow>> $stages rows by stage name
     */
    private function __construct(public array $seats, public array $stages)
    {
    }

    public static function of(DealFile $file, Facts $facts): self
    {
        $standing = self::standing($file);
        $parties = $file->parties->sortBy(static fn (Party $party) => $party->seat()->order());
        $requirements = $file->requirements->keyBy('paper_id');
        $names = Stage::names();
        $stages = array_fill_keys(array_values($names), []);
        $used = [];
        $reckoned = BoardCache::of($file, $facts);
        foreach ($file->papers as $paper) {
            if ($paper->state === PaperState::Void) {
                continue;
            }
            $known = $reckoned[$paper->key];
            $requirement = $requirements->get($paper->id);
            $cells = self::cells(
                $paper,
                $known->seats,
                $known->missing,
                $standing[$paper->id] ?? [],
                $requirement?->review_state === ReviewState::Accepted,
            );
            $used += $cells;
            $stages[$names[$paper->stage] ?? end($names)][] = new BoardRow(
                $paper,
                $requirement,
                $cells,
                self::note($paper, $known->pages, $requirement),
                $known->findings,
                self::next($paper, $requirement, $known->missing, $standing[$paper->id]['round'] ?? null, $known->isSigned),
            );
        }
        $seats = $parties->filter(
            static fn (Party $party) => isset($used[(string) $party->seat()]) || in_array(
                $party->role,
                [PartyRole::Buyer, PartyRole::Seller, PartyRole::Agent],
                true,
            ),
        );

        return new self(array_values($seats->all()), array_filter($stages));
    }

    /** How complete a stage is, and until when the rest is due. */
    public function dueIn(string $stage, LocalDate $today): StageDue
    {
        return StageDue::of(array_map(static fn (BoardRow $row) => $row->requirement, $this->stages[$stage] ?? []), $today);
    }

    /** @return array<int, array<string, mixed>> by paper: seat to signer's standing, and the round it is out in */
    private static function standing(DealFile $file): array
    {
        $standing = [];
        foreach ($file->rounds->sortBy('id') as $round) {
            if (in_array($round->status, [RoundStatus::Drafting, RoundStatus::Recalled, RoundStatus::Lapsed], true)) {
                continue;
            }
            foreach ($round->papers as $sent) {
                foreach ($round->signers as $signer) {
                    if (
                        $round->marks->contains(static fn ($mark) => $mark->round_paper_id === $sent->id && $mark->seat === $signer->seat)
                    ) {
                        $standing[$sent->paper_id][$signer->seat] = $signer->status;
                    }
                }
                $round->status === RoundStatus::Out && ($standing[$sent->paper_id]['round'] = $round);
            }
        }

        foreach ($file->papers as $paper) {
            foreach ($paper->returned->where('settled', 'taken')->flatMap(static fn ($one) => $one->returned_seats) as $seat) {
                $standing[$paper->id][$seat] = SignerStatus::Finished;
            }
        }

        return $standing;
    }

    /**
     * @param list<string> $seats
     * @param array<string, mixed> $standing
     * @return array<string, string>
     */
    private static function cells(Paper $paper, array $seats, int $missing, array $standing, bool $isAccepted): array
    {
        // Signed on paper: once the scan is accepted, everyone on it has signed.
        if ($isAccepted && $paper->latest?->made_by === MadeBy::Uploaded) {
            return array_fill_keys($seats, 'done');
        }
        $cells = [];
        foreach ($seats as $seat) {
            $status = $standing[$seat] ?? null;
            $cells[$seat] = $status instanceof SignerStatus ? $status->cell() : 'owes';
        }
        if ($missing > 0) {
            $cells['agent.1'] = 'blanks';
        }

        return $cells;
    }

    private static function note(Paper $paper, ?int $pages, ?Requirement $requirement): string
    {
        // A scan has the pages it has, whatever the form has.
        $pages = $paper->latest?->made_by === MadeBy::Uploaded ? $paper->latest->pages : $pages ?? $paper->latest?->pages;
        $parts = [
            $paper->form_number,
            match (true) {
                $pages !== null => $pages.($pages === 1 ? ' page' : ' pages'),
                $paper->state !== PaperState::Expected => null,
                default => $paper->is_action ? 'to do' : 'expected',
            },
            $paper->reason,
            $paper->done_note === '' ? null : "done: {$paper->done_note}",
            $requirement?->further->isNotEmpty() === true ? 'with '.$requirement->further->pluck('title')->implode(', ') : null,
            ($requirement?->acceptedEarlier() ?? '') === '' ? null : "accepted {$requirement->acceptedEarlier()}",
            $requirement?->off_asked_at === null ? null : 'asked whether it applies',
        ];

        return implode(' · ', array_filter($parts));
    }

    private static function next(Paper $paper, ?Requirement $requirement, int $missing, ?Round $round, bool $hasMarks): ?RowStep
    {
        $further = $requirement?->further->map(static fn (Paper $one) => $one->state)->all() ?? [];
        $isMet = SubmitCheck::isMetByFurther($paper->state, array_values($further));
        $step = $isMet && $requirement?->review_state === ReviewState::NotSubmitted
            ? NextStep::Submit
            : NextStep::of($paper->state, $requirement?->review_state, $missing, $round !== null, $hasMarks, $paper->is_action);

        return $step === null
            ? null
            : new RowStep($step, $step->label($missing), match ($step) {
                NextStep::AnswerRemark, NextStep::Fill => "/papers/{$paper->key}",
                NextStep::SeeRound => "/rounds/{$round?->key}",
                NextStep::Submit => (string) $requirement?->key,
                default => $paper->key,
            });
    }
}
