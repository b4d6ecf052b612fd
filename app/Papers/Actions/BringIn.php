<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\Files\Models\DealFile;
use App\Files\SearchRow;
use App\History\History;
use App\Papers\Bytes;
use App\Papers\Models\Paper;
use Illuminate\Support\Facades\Auth;
use Unanimus\Files\PaperState;
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
     * @param string $name the file's own name, from which it may be known what it is
     * @return array{Paper, list<string>} the paper, and what had to be done to the file, in words
     *
     * @throws BringRefused when it cannot be taken
     * @throws StepRefused when the placeholder does not wait any more
     */
    public function __invoke(DealFile $file, string $path, string $name, ?Paper $placeholder = null, string $stage = 'contract'): array
    {
        $brought = $this->converter->toPdf($path);
        if ($placeholder !== null && ! in_array($placeholder->state, [PaperState::Awaited, PaperState::Ready], true)) {
            throw new StepRefused("“{$placeholder->title}” has come in already.");
        }
        $paper = $placeholder ?? $this->awaited($file, $brought, $name) ?? $this->ownPaper($file, $name, $stage);
        $met = $placeholder === null && $paper->state === PaperState::Awaited;
        $sha256 = $this->bytes->keep($file->brokerage_id, $brought->pdf);
        $paper->addVersion($sha256, $brought->pages, 'brought', implode(' ', $brought->notes), (int) Auth::id() ?: null, 1, $read = ReadBack::of($this->bytes->path($sha256), $this->library, $file->office->today()));
        $paper->moveTo(PaperState::Ready);
        History::add($file->brokerage_id, $file->id, 'Paper brought in', array_filter(['paper' => $paper->title, 'file' => $name, 'pages' => $brought->pages, 'sha256' => $sha256, 'notes' => implode(' ', $brought->notes)], static fn ($value) => $value !== ''), $paper->side, $paper->staff_only);
        SearchRow::keep($file->load(['knownFacts', 'parties', 'papers']));

        return [$paper, [...($met ? ["It is the {$paper->title} that was awaited."] : []), ...$brought->notes, ...$read[1]]];
    }

    private function awaited(DealFile $file, Brought $brought, string $name): ?Paper
    {
        $waiting = $file->papers()->where('state', PaperState::Awaited)->pluck('title', 'key')->all();
        if ($waiting === []) {
            return null;
        }
        $scratch = new Scratch;
        try {
            $text = (new NativeTool(15))->run(['pdftotext', '-l', '1', $scratch->put('brought.pdf', $brought->pdf), '-']);
        } catch (ToolFailed) {
            $text = '';
        }
        $key = Placeholder::thatFits($waiting, $name, $text);

        return $key === null ? null : $file->papers()->where('key', $key)->first();
    }

    private function ownPaper(DealFile $file, string $name, string $stage): Paper
    {
        $title = trim((string) preg_replace('/[\s_]+/u', ' ', pathinfo(mb_scrub($name), PATHINFO_FILENAME))) ?: 'Paper from outside';

        return $file->papers()->create([
            'brokerage_id' => $file->brokerage_id, 'title' => mb_strimwidth($title, 0, 120, '…'), 'stage' => $stage, 'state' => PaperState::Ready, 'position' => (int) array_search($stage, Stage::keys(), true) * 1000 + 1900, 'reason' => 'brought in', 'side' => CareForPaper::ownSide($file),
        ]);
    }
}
