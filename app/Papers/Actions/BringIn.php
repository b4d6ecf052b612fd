<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Paper;
use App\Storage\Bytes;
use App\Terms\SearchRow;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Files\StepRefused;
use Unanimus\Forms\Library;
use Unanimus\Forms\ReadBack;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\Brought;
use Unanimus\Intake\Converter;
use Unanimus\Intake\Placeholder;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\ToolFailed;
use Unanimus\Requirements\Stage;

/** Takes a file from outside into a deal file: as a paper of its own, or as the paper a placeholder waits for. */
final class BringIn
{
    public function __construct(private readonly Bytes $bytes, private readonly Converter $converter, private readonly Library $library)
    {
    }

    /**
     * Takes a file in at once.
     *
     * @param string $name the file's own name, from which it may be known what it is
     * @return array{Paper, list<string>} the paper, and what had to be done to the file, in words
     *
     * @throws BringRefused when it cannot be taken
     * @throws StepRefused when the placeholder does not wait any more
     */
    public function __invoke(DealFile $file, string $path, string $name, ?Paper $placeholder = null, string $stage = 'contract'): array
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
     * @return array{Paper, list<string>}
     *
     * @throws StepRefused when the placeholder does not wait any more
     */
    public function file(DealFile $file, Brought $brought, string $name, ?Paper $placeholder = null, string $stage = 'contract'): array
    {
        // Two at one placeholder: the second waits here and finds that the first has come in.
        if (
            $placeholder !== null &&
            DB::table('papers')->where('id', $placeholder->id)->lockForUpdate()->value('state') !== PaperState::Expected->value
        ) {
            throw new StepRefused("“{$placeholder->title}” has already arrived. Open it and upload this file as a new version.");
        }
        $paper = $placeholder ?? ($this->expected($file, $brought, $name) ?? $this->ownPaper($file, $name, $stage));
        $met = $placeholder === null && $paper->state === PaperState::Expected;
        $sha256 = $this->bytes->keep($file->brokerage_id, $brought->pdf);
        $original = $brought->original === null ? null : $this->bytes->keep($file->brokerage_id, $brought->original);
        $read = ReadBack::of($this->bytes->path($sha256), $this->library, $file->office->today());
        $paper->addVersion(
            $sha256,
            $brought->pages,
            MadeBy::Uploaded,
            implode(' ', $brought->notes),
            (int) Auth::id() ?: null,
            1,
            $read,
            $original,
        );
        $paper->moveTo(PaperState::Ready);
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

        return [$paper, [...$met ? ["It was matched to the expected {$paper->title}."] : [], ...$brought->notes, ...$read[1]]];
    }

    private function expected(DealFile $file, Brought $brought, string $name): ?Paper
    {
        $waiting = $file->papers()->where('state', PaperState::Expected)->pluck('title', 'key')->all();
        if ($waiting === []) {
            return null;
        }
        $scratch = new Scratch();
        try {
            $text = (new NativeTool(15))->run(['pdftotext', '-l', '1', $scratch->put('brought.pdf', $brought->pdf), '-']);
        } catch (ToolFailed) {
            $text = '';
        }
        $key = Placeholder::thatFits($waiting, $name, $text);

        // Locked, so that two that arrive at once do not both become the same paper.
        return $key === null
            ? null
            : $file
                ->papers()
                ->where('key', $key)
                ->where('state', PaperState::Expected)
                ->tap(static fn ($papers) => $papers->lockForUpdate())
                ->first();
    }

    private function ownPaper(DealFile $file, string $name, string $stage): Paper
    {
        $title = trim((string) preg_replace('/[\s_]+/u', ' ', pathinfo(mb_scrub($name), PATHINFO_FILENAME))) ?: 'Uploaded paper';

        return $file->papers()->create([
            'brokerage_id' => $file->brokerage_id,
            'title' => mb_strimwidth($title, 0, 120, '…'),
            'stage' => $stage,
            'state' => PaperState::Ready,
            'position' => (int) array_search($stage, Stage::keys(), true) * 1000 + 1900,
            'reason' => 'uploaded',
            'side' => CareForPaper::ownSide($file),
        ]);
    }
}
