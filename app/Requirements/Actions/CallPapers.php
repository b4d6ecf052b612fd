<?php

declare(strict_types=1);

namespace App\Requirements\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Paper;
use App\Requirements\DueDays;
use App\Requirements\KitShelf;
use App\Requirements\RuleShelf;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Forms\Library;
use Unanimus\Parties\Side;
use Unanimus\Requirements\CallSheet;
use Unanimus\Requirements\Kit;
use Unanimus\Requirements\KitItem;
use Unanimus\Requirements\Stage;
use Unanimus\Review\ReviewState;
use Unanimus\Terms\Facts;

/** The papers and the checklist that a file's kits and its office's rules call for. */
final class CallPapers
{
    public function __construct(private readonly Library $library)
    {
    }

    /** Adds what is called for, takes back what no longer is and nobody has touched. */
    public function __invoke(DealFile $file, Facts $facts): void
    {
        $kits = KitShelf::ofFile($file);
        $sheet = CallSheet::of($kits, RuleShelf::asks(), $facts);
        $answers = array_merge([], ...array_map(static fn (Kit $kit) => $kit->answers, array_reverse($kits)));
        $stages = array_flip(Stage::keys());
        $order = array_flip($sheet->order);
        $wanted = [];
        $due = [];
        $there = [];
        foreach ($sheet->called as ['item' => $item, 'reasons' => $reasons]) {
            $wanted[$item->identity()] = true;
            $due[$item->identity()] = $item->due;
            $reason = implode('; ', $reasons);
            $paper = $this->paperFor($file, $item);
            $paper === null || ($there[$paper->id] = true);
            if ($paper === null || $paper->state === PaperState::Void) {
                $this->add($file, $item, $reason, ($stages[$item->stage] + 1) * 1000 + $order[$item->identity()] * 10, $answers, $paper);
            } else {
                $this->follow($file, $paper, $item, $reason);
            }
        }
        foreach ($file->papers as $paper) {
            $called =
                $paper->called_by === 'rule' ||
                array_filter(
                    $sheet->idle,
                    static fn (KitItem $item) => $item->identity() === ($paper->form_number ?? mb_strtolower($paper->title)),
                ) !== [];
            $isWanted = isset($there[$paper->id]) || isset($wanted[$paper->form_number ?? mb_strtolower($paper->title)]);
            if ($called && $paper->state !== PaperState::Void && ! $isWanted) {
                $this->takeBack($file, $paper);
            }
        }
        DueDays::keep($file, $facts, $due);
    }

    /** A paper that is there already: why it is asked for, and since a colleague joined for the other side, whose own it is. */
    private function follow(DealFile $file, Paper $paper, KitItem $item, string $reason): void
    {
        $paper->reason === $reason || $paper->update(['reason' => $reason, 'called_by' => 'rule']);
        // Added by hand before it was called for: from now on a reviewer is to see it as well.
        if ($item->required && $this->require($file, $paper, $item, $reason, $paper->position, $paper->side)) {
            $told = ['paper' => $paper->title, 'why' => $reason];
            History::add($file->brokerage_id, $file->id, 'Paper called for', $told, new SeenBy($paper->side, $paper->staff_only));
        }
        if ($file->represents->isBoth() && $item->side !== null && $paper->side === null) {
            $paper->update(['side' => $item->side]);
            $file
                ->requirements()
                ->where('paper_id', $paper->id)
                ->update(['side' => $item->side]);
        }
    }

    private function paperFor(DealFile $file, KitItem $item): ?Paper
    {
        $same = $file->papers->filter(
            static fn (Paper $paper) => $item->form === null
                ? $paper->form_number === null && mb_strtolower($paper->title) === $item->identity()
                : $paper->form_number === $item->form,
        );

        return $same->first(static fn (Paper $paper) => $paper->state !== PaperState::Void) ??
            $this->namesake($file, $item) ??
            $same->first();
    }

    /** A form that is here under its name alone, filled in and signed elsewhere: it is not asked for again. */
    private function namesake(DealFile $file, KitItem $item): ?Paper
    {
        return $item->form === null ? null : $file->papers->first(
            static fn (Paper $paper) => $paper->form_number === null && $paper->state !== PaperState::Void &&
                mb_strtolower(trim($paper->title)) === mb_strtolower($item->title),
        );
    }

    /** @param  array<string, array<string, string>>  $answers */
    private function add(DealFile $file, KitItem $item, string $reason, int $position, array $answers, ?Paper $void): void
    {
        $state = $item->form === null ? PaperState::Expected : PaperState::Draft;
        $form = $item->form === null ? null : $this->library->form($item->form);
        if ($form?->retired) {
            return;
        }
        $side = $file->represents->isBoth() ? $item->side : null;
        $paper = $void ?? new Paper(['brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id]);
        $paper
            ->fill([
                'title' => $item->title,
                'form_number' => $form?->number,
                'form_revision' => $form?->revision,
                'stage' => $item->stage,
                'state' => $void?->state->to($state) ?? $state,
                'position' => $position,
                'reason' => $reason,
                'side' => $side,
                'called_by' => 'rule',
                'is_action' => $item->isAction,
            ])
            ->save();
        if ($void === null) {
            foreach ($form === null ? [] : $answers[$form->number] ?? [] as $blank => $value) {
                $paper->keepEntry($blank, $value, "kit:{$blank}", null);
            }
        }
        $item->required && $this->require($file, $paper, $item, $reason, $position, $side);
        History::add($file->brokerage_id, $file->id, 'Paper called for', ['paper' => $item->title, 'why' => $reason], SeenBy::side($side));
    }

    /** @return bool whether it was not asked for before */
    private function require(DealFile $file, Paper $paper, KitItem $item, string $reason, int $position, ?Side $side): bool
    {
        if (DB::table('requirements')->where('paper_id', $paper->id)->exists()) {
            return false;
        }
        $file->requirements()->create([
            'brokerage_id' => $file->brokerage_id,
            'paper_id' => $paper->id,
            'title' => $item->title,
            'stage' => $item->stage,
            'position' => $position,
            'reason' => $reason,
            'side' => $side,
        ]);

        return true;
    }

    private function takeBack(DealFile $file, Paper $paper): void
    {
        $requirement = $file->requirements->firstWhere('paper_id', $paper->id);
        $touched =
            ! in_array($paper->state, [PaperState::Draft, PaperState::Expected], true) ||
            ($requirement !== null && $requirement->review_state !== ReviewState::NotSubmitted) ||
            DB::table('paper_entries')->where('paper_id', $paper->id)->where('client_key', 'not like', 'kit:%')->exists();
        if ($touched) {
            return;
        }
        $requirement?->delete();
        $paper->moveTo(PaperState::Void, ['reason' => 'no longer needed']);
        History::add(
            $file->brokerage_id,
            $file->id,
            'Paper no longer called for',
            ['paper' => $paper->title],
            new SeenBy($paper->side, $paper->staff_only),
        );
    }
}
