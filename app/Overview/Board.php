<?php

declare(strict_types=1);

namespace App\Overview;

use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Party;
use App\Models\Requirement;
use App\Models\Round;
use Unanimus\Files\PaperState;
use Unanimus\Requirements\Stage;
use Unanimus\Review\ReviewState;
use Unanimus\Signing\RoundStatus;
use Unanimus\Terms\Facts;

/** The accord board: papers down, seats across, who owes what on which paper, and the one next step for each row. */
final readonly class Board
{
    /**
     * @param list<Party> $seats the columns
     * @param array<string, list<array{paper: Paper, requirement: Requirement|null, cells: array<string, string>, note: string, findings: list<\Unanimus\Forms\Finding>, next: array{label: string, kind: string, target: string, mine: bool}|null}>> $stages rows by stage name
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
            $cells = self::cells($paper, $known->seats, $known->missing, $standing[$paper->id] ?? []);
            $used += $cells;
            $requirement = $requirements->get($paper->id);
            $stages[$names[$paper->stage] ?? end($names)][] = [
                'paper' => $paper, 'requirement' => $requirement, 'cells' => $cells, 'note' => self::note($paper, $known->pages), 'findings' => $known->findings,
                'next' => self::next($paper, $requirement, $known->missing, $standing[$paper->id]['round'] ?? null, $known->isSigned),
            ];
        }
        $seats = $parties->filter(static fn (Party $party) => isset($used[(string) $party->seat()]) || in_array($party->role, ['buyer', 'seller', 'agent'], true));

        return new self(array_values($seats->all()), array_filter($stages));
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
                    if ($round->marks->contains(static fn ($mark) => $mark->round_paper_id === $sent->id && $mark->seat === $signer->seat)) {
                        $standing[$sent->paper_id][$signer->seat] = $signer->status;
                    }
                }
                $round->status === RoundStatus::Out && $standing[$sent->paper_id]['round'] = $round;
            }
        }

        return $standing;
    }

    /**
     * @param list<string> $seats
     * @param array<string, mixed> $standing
     * @return array<string, string>
     */
    private static function cells(Paper $paper, array $seats, int $missing, array $standing): array
    {
        $cells = [];
        foreach ($seats as $seat) {
            $cells[$seat] = match ($standing[$seat] ?? null) {
                'finished' => 'done',
                'opened', 'consented' => 'open',
                'declined' => 'declined',
                default => 'owes',
            };
        }
        if ($missing > 0) {
            $cells['agent.1'] = 'blanks';
        }

        return $cells;
    }

    private static function note(Paper $paper, ?int $pages): string
    {
        $pages ??= $paper->latest?->pages;
        $parts = [$paper->form_number, $pages === null ? ($paper->state === PaperState::Expected ? 'expected' : null) : $pages.($pages === 1 ? ' page' : ' pages'), $paper->reason];

        return implode(' · ', array_filter($parts));
    }

    /** @return array{label: string, kind: string, target: string, mine: bool}|null kind: open, bring, sign, round, submit */
    private static function next(Paper $paper, ?Requirement $requirement, int $missing, ?Round $round, bool $signed): ?array
    {
        $step = static fn (string $label, string $kind, string $target, bool $mine = true) => ['label' => $label, 'kind' => $kind, 'target' => $target, 'mine' => $mine];
        $state = $requirement?->review_state;

        return match (true) {
            $state === ReviewState::SentBack => $step('Answer remark', 'open', "/papers/{$paper->key}"),
            $paper->state === PaperState::Expected => $step('Upload', 'bring', $paper->key, false),
            $missing > 0 => $step($missing === 1 ? 'Fill 1 blank' : "Fill {$missing} blanks", 'open', "/papers/{$paper->key}"),
            $paper->isDraft() && $signed => $step('Send for signature', 'sign', $paper->key),
            $round !== null => $step('See round', 'round', "/rounds/{$round->key}", false),
            $requirement !== null && $state === ReviewState::NotSubmitted && ($paper->isDraft() || in_array($paper->state, [PaperState::Ready, PaperState::Signed], true)) => $step('Submit', 'submit', $requirement->key),
            default => null,
        };
    }
}
