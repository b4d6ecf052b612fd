<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\Models\Paper;
use App\Models\PaperVersion;
use App\Papers\PaperPrint;
use App\Storage\Bytes;
use Unanimus\Files\MadeBy;
use Unanimus\Forms\PaperReading;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Scratch;
use Unanimus\Steps\StepRefused;

/** Keeps a paper as it stands now as a version of its own, which nothing changes any more. */
final class FixPaper
{
    public function __construct(private readonly PaperPrint $print, private readonly Bytes $bytes)
    {
    }

    /** @throws StepRefused when it has not come in yet */
    public function __invoke(Paper $paper, MadeBy $madeBy, string $note, ?int $userId): PaperVersion
    {
        $pdf = $this->print->of($paper);
        $scratch = new Scratch();
        $pages = count(PdfLook::into($scratch->put('paper.pdf', $pdf))->pages());

        $read = new PaperReading($this->print->reading($paper));

        return $paper->addVersion($this->bytes->keep($paper->brokerage_id, $pdf), $pages, $madeBy, $note, $userId, 1, $read);
    }
}
