<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Paper;
use App\Papers\BroughtIn;
use App\Papers\Jobs\ReadUpload;
use App\Storage\Bytes;
use App\Terms\SearchRow;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Forms\Library;
use Unanimus\Forms\PaperReading;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\Brought;
use Unanimus\Intake\Converter;
use Unanimus\Intake\IntakeRefusal;
use Unanimus\Intake\PaperTitle;
use Unanimus\Intake\Placeholder;
use Unanimus\Intake\Stack;
use Unanimus\Intake\StackPage;
use Unanimus\Intake\StackPart;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PageWords;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\ToolFailed;
use Unanimus\Requirements\Stage;
use Unanimus\Steps\StepRefused;

/** Takes a file from outside into a deal file: as a paper of its own, or as the paper a placeholder waits for. */
final class BringIn
{
    /** Pages of an upload that are read for what it may be. */
    private const LOOKED_AT = 80;

    public function __construct(private readonly Bytes $bytes, private readonly Converter $converter, private readonly Library $library)
    {
    }

    /**
     * Takes a file in at once.
     *
     * @param string $name the file's own name, from which it may be known what it is
     *
     * @throws BringRefused when it cannot be taken
     * @throws StepRefused when the placeholder does not wait any more
     */
    public function __invoke(DealFile $file, string $path, string $name, ?Paper $placeholder = null, string $stage = 'contract'): BroughtIn
    {
        return $this->file($file, $this->converter->toPdf($path), $name, $placeholder, $stage);
    }

    /** What a file from outside becomes. @throws BringRefused when it cannot be taken */
    public function convert(string $path): Brought
    {
        return $this->converter->toPdf($path);
    }

    /**
     * Takes in what a file has become.
     *
     * @throws StepRefused when the placeholder does not wait any more
     */
    public function file(DealFile $file, Brought $brought, string $name, ?Paper $placeholder = null, string $stage = 'contract'): BroughtIn
    {
        // Two at one placeholder: the second waits here and finds that the first has come in.
        if (
            $placeholder !== null &&
            DB::table('papers')->where('id', $placeholder->id)->lockForUpdate()->value('state') !== PaperState::Expected->value
        ) {
            throw IntakeRefusal::AlreadyArrived->because(title: $placeholder->title);
        }
        $texts = $this->texts($brought);
        // At a row it was put there by hand: nothing is asked but whether it is one paper.
        $row = $placeholder === null ? $this->row($file, $name, $texts[0] ?? '') : null;
        $met = $row?->state === PaperState::Expected;
        $sha256 = $this->bytes->keep($file->brokerage_id, $brought->pdf);
        $paper = $placeholder ?? ($met ? $row : $this->ownPaper($file, $this->called($sha256, $name), $stage));
        $original = $brought->original === null ? null : $this->bytes->keep($file->brokerage_id, $brought->original);
        $read = PaperReading::of($this->bytes->path($sha256), $this->library, $file->office->today());
        $version = $paper->addVersion(
            $sha256,
            $brought->pages,
            MadeBy::Uploaded,
            implode(' ', $brought->notes),
            (int) Auth::id() ?: null,
            1,
            $read,
            $original,
            $brought->isFromPhoto(),
        );
        $paper->moveTo(PaperState::Ready);
        ReadUpload::begin($file->brokerage_id, $version->id);
        $told = array_filter(
            [
                'paper' => $paper->title,
                'file' => $name,
                'pages' => $brought->pages,
                'sha256' => $sha256,
                'original' => $original,
                'notes' => implode(' ', $brought->notes),
            ],
            static fn ($value) => $value !== '' && $value !== null,
        );
        History::add($file->brokerage_id, $file->id, 'Paper brought in', $told, new SeenBy($paper->side, $paper->staff_only));
        SearchRow::keep($file->load(['knownFacts', 'parties', 'papers']));

        return new BroughtIn(
            $paper,
            $version,
            [...$met ? ["It was matched to the expected {$paper->title}."] : [], ...$brought->notes, ...$read->lacks],
            $met ? null : $row,
            $met,
            Stack::of($texts, $this->library),
        );
    }

    /** What a kept PDF is called: by its file, or by its heading where the file's name says nothing. */
    public function called(string $sha256, string $name): string
    {
        if (! PaperTitle::isNameless($name)) {
            return $name;
        }
        try {
            $words = PageWords::of($this->bytes->path($sha256), 1)[1] ?? [];
        } catch (ToolFailed) {
            return $name;
        }

        return PaperTitle::of($name, StackPage::of($words, false, [612.0, 792.0], [])->heading).'.pdf';
    }

    /** @return list<StackPart> the papers in it, where it holds several */
    public function stack(Brought $brought): array
    {
        return Stack::of($this->texts($brought), $this->library);
    }

    /** @return list<string> what stands on its pages, of the first ones of a long one */
    public function texts(Brought $brought): array
    {
        $scratch = new Scratch();
        try {
            $text = (new NativeTool(15))->run(
                ['pdftotext', '-l', (string) self::LOOKED_AT, $scratch->put('brought.pdf', $brought->pdf), '-'],
            );
        } catch (ToolFailed) {
            return [];
        }

        return array_slice(explode("\f", $text), 0, min($brought->pages, self::LOOKED_AT));
    }

    /** The row it seems to belong to: one that waits for a paper, or a form that nobody has signed here yet. */
    private function row(DealFile $file, string $name, string $text): ?Paper
    {
        $rows = $file
            ->papers()
            ->where(
                static fn ($papers) => $papers
                    ->where('state', PaperState::Expected)
                    ->orWhere(
                        static fn ($forms) => $forms
                            ->whereNotNull('form_number')
                            ->whereIn('state', [PaperState::Draft, PaperState::Ready])
                            ->whereDoesntHave(
                                'requirement',
                                static fn ($asked) => $asked->whereIn('review_state', ['submitted', 'accepted']),
                            ),
                    ),
            )
            ->get(['key', 'title', 'form_number', 'state']);
        $key = Placeholder::row(
            $rows->pluck('title', 'key')->all(),
            $rows->whereNotNull('form_number')->pluck('form_number', 'key')->all(),
            $name,
            $text,
        );

        // Locked, so that two that arrive at once do not both become the same paper.
        return $key === null
            ? null
            : $file
                ->papers()
                ->where('key', $key)
                ->whereIn('state', [PaperState::Expected, PaperState::Draft, PaperState::Ready])
                ->tap(static fn ($papers) => $papers->lockForUpdate())
                ->first();
    }

    /** A paper of its own for what comes in, named after its file. */
    public function ownPaper(DealFile $file, string $name, string $stage): Paper
    {
        return $file->papers()->create([
            'brokerage_id' => $file->brokerage_id,
            'title' => mb_strimwidth(PaperTitle::fromName($name) ?: 'Uploaded paper', 0, 120, '…'),
            'stage' => $stage,
            'state' => PaperState::Ready,
            'position' => (int) array_search($stage, Stage::keys(), true) * 1000 + 1900,
            'reason' => 'uploaded',
            'side' => CareForPaper::ownSide($file),
        ]);
    }
}
