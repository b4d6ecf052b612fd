<?php

declare(strict_types=1);

namespace App\Moving\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\MovedPaper;
use App\Models\Paper;
use App\Papers\Actions\BringIn;
use App\Papers\Actions\TakePages;
use App\Storage\Bytes;
use App\Terms\SearchRow;
use Illuminate\Support\Carbon;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Finding\Query;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\Brought;
use Unanimus\Intake\Placeholder;
use Unanimus\Moving\EarlierReview;
use Unanimus\Review\ReviewState;
use Unanimus\Steps\StepRefused;

/** Puts a document that came along into its file: at the line of the checklist it is for, or on its own. */
final class BringPaper
{
    public function __construct(private readonly BringIn $bringIn, private readonly TakePages $take, private readonly Bytes $bytes)
    {
    }

    /** What it becomes, or why it cannot be taken. Asks the database for nothing. */
    public function convert(MovedPaper $moved): Brought|BringRefused
    {
        try {
            return $this->bringIn->convert($this->bytes->path((string) $moved->sha256));
        } catch (BringRefused $why) {
            return $why;
        }
    }

    /** Makes a paper of it, or says why not. Done already, nothing happens. */
    public function __invoke(MovedPaper $moved, DealFile $file, Brought|BringRefused $brought, string $from): void
    {
        $moved = MovedPaper::query()->lockForUpdate()->findOrFail($moved->id);
        if ($moved->outcome !== 'waiting') {
            return;
        }
        $same = MovedPaper::query()
            ->where(['deal_file_id' => $file->id, 'sha256' => $moved->sha256, 'outcome' => 'taken'])
            ->value('path');
        try {
            $same === null || throw new BringRefused("It is the same as {$same}, which is in the file.");
            $brought instanceof Brought || throw $brought;
            $paper = $this->place($moved, $file, $brought, $from);
        } catch (BringRefused|StepRefused $why) {
            $moved->update(['outcome' => 'refused', 'told' => $why->getMessage(), 'deal_file_id' => $file->id]);

            return;
        }
        $told = $this->accept($moved, $paper);
        $moved->update(['outcome' => 'taken', 'told' => $told, 'deal_file_id' => $file->id, 'paper_id' => $paper->id]);
    }

    /**
     * The line it is for: the one a list names, or the one its name or its first page tells.
     *
     * @param string $text what its first page says
     */
    public function row(MovedPaper $moved, DealFile $file, string $text): ?Paper
    {
        $rows = $file
            ->papers()
            ->with(['requirement', 'latest'])
            ->whereIn('state', [PaperState::Expected, PaperState::Draft, PaperState::Ready])
            ->get()
            ->filter(static fn (Paper $row) => $row->state === PaperState::Expected ||
                ($row->form_number !== null && $row->latest?->made_by !== MadeBy::Uploaded))
            ->reject(static fn (Paper $row) => $row->requirement?->review_state->isWithReviewer() ?? false)
            ->keyBy('key');
        $titles = $rows->map(static fn (Paper $row) => $row->title)->all();
        if ($moved->line !== '') {
            $exact = array_keys(array_filter(
                $titles,
                static fn (string $title) => Query::plain($title) === Query::plain($moved->line),
            ));
            $key = count($exact) === 1 ? $exact[0] : Placeholder::thatFits($titles, $moved->line, '');

            return $key === null ? null : $rows[$key];
        }
        $forms = $rows->whereNotNull('form_number')->map(static fn (Paper $row) => (string) $row->form_number)->all();
        $key = Placeholder::row($titles, $forms, basename($moved->path), $text);

        return $key === null ? null : $rows[$key];
    }

    private function place(MovedPaper $moved, DealFile $file, Brought $brought, string $from): Paper
    {
        $row = $this->row($moved, $file, $this->bringIn->texts($brought)[0] ?? '');
        $name = basename($moved->path);
        if ($row?->form_number === null) {
            $paper = $this->bringIn->file($file, $brought, $name, $row)->paper;
            $row === null && $moved->title !== '' && $paper->form_number === null && $paper->update(['title' => $moved->title]);

            return $paper;
        }
        $original = $brought->original === null ? null : $this->bytes->keep($file->brokerage_id, $brought->original);
        $sha256 = $this->bytes->keep($file->brokerage_id, $brought->pdf);
        $paper = ($this->take)($file, $row->title, $sha256, $brought->pages, "{$from}, {$moved->path}", $row, original: $original);
        History::add($file->brokerage_id, $file->id, 'Paper brought in', [
            'paper' => $paper->title,
            'file' => $name,
            'pages' => $brought->pages,
            'sha256' => $sha256,
        ], new SeenBy($paper->side, $paper->staff_only));
        SearchRow::keep($file->load(['knownFacts', 'parties', 'papers']));

        return $paper;
    }

    /** @return string what of an earlier acceptance could not be kept, in words */
    private function accept(MovedPaper $moved, Paper $paper): string
    {
        if (! $moved->accepted) {
            return '';
        }
        $requirement = $paper->refresh()->requirement;
        if ($requirement === null) {
            return 'It was accepted earlier, but nothing on the checklist asks for it.';
        }
        $words = EarlierReview::words($moved->accepted_by, $moved->accepted_on);
        $requirement->update([
            'review_state' => ReviewState::Accepted,
            'decided_at' => $moved->accepted_on === null
                ? now()
                : Carbon::parse("{$moved->accepted_on->iso()} 12:00", $paper->file->office->zone),
            'decided_by' => null,
            'read_version_id' => $paper->latest_version_id,
            'moved_in' => $words,
        ]);
        History::add(
            $paper->brokerage_id,
            $paper->deal_file_id,
            'Accepted earlier',
            ['requirement' => $requirement->title, 'words' => $words],
            new SeenBy($requirement->side, $requirement->staff_only),
        );
        $paper->file->countSettled();

        return '';
    }
}
