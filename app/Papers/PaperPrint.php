<?php

declare(strict_types=1);

namespace App\Papers;

use App\Files\FactBook;
use App\Papers\Models\Paper;
use Unanimus\Files\StepRefused;
use Unanimus\Forms\FilledPages;
use Unanimus\Forms\Filling;
use Unanimus\Pages\Press;

/** A paper as PDF, as it stands now. */
final class PaperPrint
{
    public function __construct(private readonly Press $press, private readonly Bytes $bytes)
    {
    }

    /**
     * The bytes: the latest version of a finished paper, a draft with its entries printed in.
     *
     * @throws StepRefused when the paper is still awaited
     */
    public function of(Paper $paper): string
    {
        $form = $paper->form();
        if ($paper->isDraft() && $form !== null) {
            return FilledPages::pdf($form, Filling::of($form, $paper->entries(), FactBook::of($paper->file)), $this->press);
        }
        $version = $paper->latest ?? throw new StepRefused("“{$paper->title}” has not come in yet: there is nothing to print.");

        return $version->made_by === 'signed'
            ? $this->press->part($this->bytes->path($version->sha256), $version->first_page, $version->first_page + $version->pages - 1)
            : $this->bytes->read($version->sha256);
    }
}
