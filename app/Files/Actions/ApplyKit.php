<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\Files\FactBook;
use App\Files\Models\DealFile;
use App\History\History;
use App\Papers\Models\Paper;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\FileName;
use Unanimus\Forms\Library;
use Unanimus\Requirements\Kit;
use Unanimus\Requirements\KitItem;
use Unanimus\Review\ReviewState;
use Unanimus\Terms\Facts;

/** Brings the file's papers and checklist in line with its kit and facts: adds what is called for, takes back what no longer is and nobody has touched. */
final class ApplyKit
{
    public function __construct(private readonly Library $library)
    {
    }

    public function __invoke(DealFile $file): void
    {
        $file->unsetRelations();
        $facts = FactBook::of($file);
        $name = FileName::from($facts);
        if ($name !== $file->name && $name !== 'New file') {
            $file->update(['name' => $name]);
        }
        $kit = $file->kitDefinition();
        if ($kit === null) {
            return;
        }
        foreach ($kit->items as $position => $item) {
            $paper = $file->papers->first(static fn (Paper $paper) => $item->form === null ? $paper->form_number === null && $paper->title === $item->title : $paper->form_number === $item->form);
            if ($item->isCalledFor($facts)) {
                $paper === null || $paper->state === 'void' ? $this->add($file, $kit, $item, $position, $facts, $paper) : $paper->update(['reason' => $item->reasonFor($facts)]);
            } elseif ($paper !== null && $paper->state !== 'void') {
                $this->takeBack($file, $paper);
            }
        }
        $file->unsetRelations();
        $file->countSettled();
    }

    private function add(DealFile $file, Kit $kit, KitItem $item, int $position, Facts $facts, ?Paper $void): void
    {
        $place = $position * 10;
        $reason = $item->reasonFor($facts);
        $state = $item->form === null ? 'awaited' : 'draft';
        $form = $item->form === null ? null : $this->library->form($item->form);
        $paper = $void ?? new Paper(['brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id]);
        $paper->fill(['title' => $item->title, 'form_number' => $form?->number, 'form_revision' => $form?->revision, 'stage' => $item->stage, 'state' => $state, 'position' => $place, 'reason' => $reason])->save();
        if ($void === null) {
            foreach ($form === null ? [] : ($kit->answers[$form->number] ?? []) as $blank => $value) {
                $paper->keepEntry($blank, $value, "kit:{$blank}", null);
            }
        }
        if ($item->required) {
            DB::table('requirements')->where('paper_id', $paper->id)->exists() || $file->requirements()->create([
                'brokerage_id' => $file->brokerage_id, 'paper_id' => $paper->id, 'title' => $item->title, 'stage' => $item->stage, 'position' => $place, 'reason' => $reason,
            ]);
        }
        History::add($file->brokerage_id, $file->id, 'Paper called for', ['paper' => $item->title, 'why' => $reason]);
    }

    private function takeBack(DealFile $file, Paper $paper): void
    {
        $requirement = $file->requirements->firstWhere('paper_id', $paper->id);
        $touched = ! in_array($paper->state, ['draft', 'awaited'], true)
            || ($requirement !== null && $requirement->review_state !== ReviewState::NotHandedIn)
            || DB::table('paper_entries')->where('paper_id', $paper->id)->where('client_key', 'not like', 'kit:%')->exists();
        if ($touched) {
            return;
        }
        $requirement?->delete();
        $paper->update(['state' => 'void', 'reason' => 'no longer called for']);
        History::add($file->brokerage_id, $file->id, 'Paper no longer called for', ['paper' => $paper->title]);
    }
}
