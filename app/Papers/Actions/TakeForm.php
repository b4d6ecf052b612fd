<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Paper;
use App\Terms\SearchRow;
use Unanimus\Files\FileRefusal;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Forms\FormRefusal;
use Unanimus\Forms\Library;
use Unanimus\Requirements\Stage;
use Unanimus\Steps\StepRefused;

/** Takes forms of the library into a file, and out again as long as nobody has signed them. */
final class TakeForm
{
    public function __construct(private readonly Library $library)
    {
    }

    /**
     * Takes a form into the file; one that was taken out comes back with its entries.
     *
     * @param bool $more another one, beside those that are there
     *
     * @throws StepRefused when the file has ended
     */
    public function take(DealFile $file, string $number, bool $more = false): Paper
    {
        if (! $file->status->isOpen()) {
            throw FileRefusal::EndedForForms->because();
        }
        $form = $this->library->form($number);
        if ($form->retired) {
            throw FormRefusal::Retired->because(number: $form->number, title: $form->title);
        }
        $same = $file->papers()->where('form_number', $form->number)->lockForUpdate()->orderBy('id')->get();
        $there = $same->first(static fn (Paper $paper) => $paper->state !== PaperState::Void);
        if ($there !== null && ! $more) {
            return $there;
        }
        $paper = $more ? null : $same->last();
        $values = [
            'form_number' => $form->number,
            'form_revision' => $form->revision,
            'stage' => $form->stage,
            'reason' => 'added from the library',
            'side' => CareForPaper::ownSide($file),
        ];
        if ($paper === null) {
            $last = (int) $file->papers()->where('stage', $form->stage)->max('position');
            $place = ((int) array_search($form->stage, Stage::keys(), true) + 1) * 1000 + 500;
            $title = $form->title.($same->isEmpty() ? '' : ', '.($same->count() + 1));
            $paper = $file
                ->papers()
                ->create([
                    ...$values,
                    'state' => PaperState::Draft,
                    'brokerage_id' => $file->brokerage_id,
                    'title' => $title,
                    'position' => max($last + 10, $place),
                ]);
        } else {
            $paper->moveTo(PaperState::Draft, [...$values, 'called_by' => '']);
        }
        $this->tell($file, 'Form taken', $paper);

        return $paper;
    }

    /**
     * Takes a paper out of the file. Its entries are kept and come back with it.
     *
     * @throws StepRefused when it is called for, out for signature or signed
     */
    public function out(Paper $paper): void
    {
        $paper->state->mustLeave($paper->title, $paper->called_by === 'rule' ? $paper->reason : null);
        $paper->requirement()->delete();
        $paper->moveTo(PaperState::Void, ['reason' => 'removed']);
        $this->tell($paper->file, 'Form taken out', $paper);
    }

    private function tell(DealFile $file, string $what, Paper $paper): void
    {
        History::add(
            $file->brokerage_id,
            $file->id,
            $what,
            ['paper' => $paper->title, 'form' => $paper->form_number],
            new SeenBy($paper->side, $paper->staff_only),
        );
        SearchRow::keep($file->load(['knownFacts', 'parties', 'papers']));
    }
}
