<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\History\History;
use App\Models\Paper;
use App\Models\PaperVersion;
use App\Models\Upload;
use App\Papers\Jobs\ReadUpload;
use App\Storage\Bytes;
use App\Terms\SearchRow;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Intake\IntakeRefusal;
use Unanimus\Intake\StackPart;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\ToolFailed;
use Unanimus\Steps\StepRefused;

/** Puts an upload where its uploader says it belongs: at a row of the board, on its own, or as the several papers it holds. */
final class PlaceUpload
{
    public function __construct(
        private readonly BringIn $bringIn,
        private readonly Bytes $bytes,
        private readonly TakePages $pages,
    ) {
    }

    /**
     * Moves it to a row; from there it can be moved on.
     *
     * @param Paper|null $row null: a paper of its own
     *
     * @throws StepRefused when the paper it stands at or the row takes no change any more
     */
    public function at(Upload $upload, ?Paper $row): void
    {
        $this->hold($upload);
        $from = $this->standing($upload);
        $isThere = $row === null ? $upload->before_state === null : $row->is($from);
        if ($isThere) {
            $this->leave($upload);

            return;
        }
        $version = PaperVersion::query()->findOrFail($upload->version_id);
        $row !== null && TakePages::mustTake($row);
        $this->takeAway($upload, $from, $row === null ? 'a paper of its own' : $row->title);
        $before = $row?->state;
        $to = $row ?? $this->bringIn->ownPaper($upload->file, $this->bringIn->called($version->sha256, $upload->name), $upload->stage);
        $copy = $to->addVersion(
            $version->sha256,
            $version->pages,
            MadeBy::Uploaded,
            $to->form_number === null ? $version->note : "signed on paper: {$upload->name}",
            (int) Auth::id() ?: null,
            $version->first_page,
            $version->read(),
            $version->original_sha256,
            $version->from_photo,
        );
        $to->moveTo($to->form_number === null ? PaperState::Ready : PaperState::Signed);
        ReadUpload::begin($upload->brokerage_id, $copy->id);
        $upload->update([
            'paper_id' => $to->id,
            'version_id' => $copy->id,
            'meant_id' => null,
            'before_state' => $before,
            'is_question' => false,
        ]);
        $this->tell($to, 'Upload placed', ['file' => $upload->name, 'from' => $from->title, 'to' => $to->title]);
    }

    /**
     * Makes of a stack the papers it holds, each at the row it belongs to or on its own. The stack itself leaves the file and stays kept.
     *
     * @throws StepRefused when the paper it stands at takes no change any more
     */
    public function apart(Upload $upload): void
    {
        $this->hold($upload);
        $from = $this->standing($upload);
        $parts = $upload->stack();
        if ($parts === []) {
            throw IntakeRefusal::OnePaperOnly->because(name: $upload->name);
        }
        $version = PaperVersion::query()->findOrFail($upload->version_id);
        // Cut first: where that cannot be done, nothing has moved.
        $cut = array_map(fn (StackPart $part) => $this->cut($upload, $version, $part), $parts);
        $this->takeAway($upload, $from, 'the papers in it');
        $titles = array_map(fn (StackPart $part, string $sha256) => $this->part($upload, $part, $sha256)->title, $parts, $cut);
        $upload->update(['meant_id' => null, 'is_question' => false]);
        $this->tell($from, 'Upload separated', ['file' => $upload->name, 'papers' => implode(', ', $titles)]);
    }

    /** It stays where it is. */
    public function leave(Upload $upload): void
    {
        $upload->update(['is_question' => false]);
    }

    /** @return string the SHA-256 of the part's bytes, which are kept */
    private function cut(Upload $upload, PaperVersion $version, StackPart $part): string
    {
        $last = $part->first + $part->pages - 1;
        $scratch = new Scratch();
        try {
            (new NativeTool(30))->run([
                'qpdf',
                '--warning-exit-0',
                $this->bytes->path($version->sha256),
                '--pages',
                '.',
                "{$part->first}-{$last}",
                '--',
                $scratch->path('part.pdf'),
            ]);
            $isWhole = PdfLook::into($scratch->path('part.pdf'))->pages();
        } catch (ToolFailed|PdfRefused) {
            $isWhole = [];
        }
        if (count($isWhole) !== $part->pages) {
            throw IntakeRefusal::NotSeparated->because(name: $upload->name);
        }

        return $this->bytes->keep($upload->brokerage_id, $scratch->get('part.pdf'));
    }

    private function part(Upload $upload, StackPart $part, string $sha256): Paper
    {
        $row = $this->rowFor($upload, $part);
        $note = "{$upload->name}, {$part->readable()}";
        $to = ($this->pages)($upload->file, $part->title, $sha256, $part->pages, $note, $row, $upload->stage);
        $this->tell($to, 'Upload placed', ['file' => $upload->name, 'to' => $to->title, 'from' => $part->readable()]);

        return $to;
    }

    /**
     * The papers in it have been sorted out of it: it leaves the file and stays kept.
     *
     * @param list<string> $titles of those papers
     *
     * @throws StepRefused when the paper it stands at takes no change any more
     */
    public function sorted(Upload $upload, array $titles): void
    {
        $this->hold($upload);
        $from = $this->standing($upload);
        $this->takeAway($upload, $from, 'the papers in it');
        $upload->update(['meant_id' => null, 'is_question' => false]);
        $this->tell($from, 'Upload separated', ['file' => $upload->name, 'papers' => implode(', ', $titles)]);
    }

    /** The row on the part's form, or the expected one of its name, that still takes a paper. */
    private function rowFor(Upload $upload, StackPart $part): ?Paper
    {
        $rows = $upload->file
            ->papers()
            ->with('requirement')
            ->whereIn('state', [PaperState::Expected, PaperState::Draft, PaperState::Ready])
            ->where(
                static fn ($papers) => $part->form === ''
                    ? $papers->where('state', PaperState::Expected)->whereRaw('lower(title) = lower(?)', [$part->title])
                    : $papers->where('form_number', $part->form),
            )
            ->lockForUpdate()
            ->get()
            ->reject(static fn (Paper $row) => $row->requirement?->review_state->isWithReviewer() ?? false);

        return $rows->count() === 1 ? $rows->first() : null;
    }

    /** @throws StepRefused when a newer version lies over it, or what it stands at is with a reviewer, out, or void */
    private function standing(Upload $upload): Paper
    {
        $paper = $upload->paper ?? throw IntakeRefusal::NotInFile->because(name: $upload->name);
        $paper->refresh();
        if ($paper->latest_version_id !== $upload->version_id) {
            throw IntakeRefusal::NewerVersion->because(title: $paper->title);
        }
        TakePages::mustTake($paper);

        return $paper;
    }

    /** The paper it stands at is as if it had never come there; its version stays kept. */
    private function takeAway(Upload $upload, Paper $from, string $to): void
    {
        if ($upload->before_state === null) {
            $from->moveTo(PaperState::Void, ['reason' => "void: moved to {$to}"]);

            return;
        }
        $earlier = $from
            ->versions()
            ->where('id', '<', $upload->version_id)
            ->max('id');
        $from->update(['state' => $upload->before_state, 'latest_version_id' => $earlier]);
        $from->unsetRelation('latest');
    }

    /** One after the other in a file, as with what comes in. */
    private function hold(Upload $upload): void
    {
        DB::select('SELECT pg_advisory_xact_lock(2, ?)', [$upload->deal_file_id % 2147483647]);
        $upload->refresh();
    }

    /** @param  array<string, string>  $data */
    private function tell(Paper $paper, string $what, array $data): void
    {
        History::add(
            $paper->brokerage_id,
            $paper->deal_file_id,
            $what,
            $data,
            new SeenBy($paper->side, $paper->staff_only),
        );
        SearchRow::keep($paper->file->load(['knownFacts', 'parties', 'papers']));
    }
}
