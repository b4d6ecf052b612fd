<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\Models\DealFile;
use App\Models\Paper;
use App\Papers\Jobs\ReadUpload;
use App\Storage\Bytes;
use Illuminate\Support\Facades\Auth;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperRefusal;
use Unanimus\Files\PaperState;
use Unanimus\Forms\Library;
use Unanimus\Forms\PaperReading;
use Unanimus\Steps\StepRefused;

/** Makes a paper of pages that were cut from what came in: at a row of the board, or one of its own. */
final class TakePages
{
    public function __construct(private readonly BringIn $bringIn, private readonly Bytes $bytes, private readonly Library $library)
    {
    }

    /**
     * @param string $sha256 of its bytes, which are kept
     * @param string $note where they come from
     * @param Paper|null $row null: a paper of its own
     * @param string|null $original SHA-256 of the file as it came, where that is kept too
     *
     * @throws StepRefused when the row takes no other version now
     */
    public function __invoke(
        DealFile $file,
        string $title,
        string $sha256,
        int $pages,
        string $note,
        ?Paper $row,
        string $stage = 'contract',
        ?string $original = null,
    ): Paper {
        $row === null || self::mustTake($row);
        $to = $row ?? $this->bringIn->ownPaper($file, "{$title}.pdf", $stage);
        $version = $to->addVersion(
            $sha256,
            $pages,
            MadeBy::Uploaded,
            ($to->form_number === null ? '' : 'signed on paper: ').$note,
            (int) Auth::id() ?: null,
            1,
            PaperReading::of($this->bytes->path($sha256), $this->library, $file->office->today()),
            $original,
        );
        $to->moveTo($to->form_number === null ? PaperState::Ready : PaperState::Signed);

        ReadUpload::begin($file->brokerage_id, $version->id);

        return $to;
    }

    /** @throws StepRefused when the paper takes no other version now */
    public static function mustTake(Paper $paper): void
    {
        $paper->state->mustBeInHand($paper->title);
        if ($paper->requirement?->review_state->isWithReviewer() ?? false) {
            throw PaperRefusal::WithReviewer->because(title: $paper->title);
        }
    }
}
