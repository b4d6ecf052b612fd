<?php

declare(strict_types=1);

namespace App\Papers;

use App\Models\Paper;
use App\Models\PaperPiece;
use App\Models\SealedSet;
use App\Storage\Bytes;
use App\Terms\FactBook;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperRefusal;
use Unanimus\Forms\FilledPages;
use Unanimus\Forms\Filling;
use Unanimus\Forms\ReadBack;
use Unanimus\Pages\LayerKind;
use Unanimus\Pages\LayerPiece;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Press;
use Unanimus\Steps\StepRefused;

/** A paper as PDF, as it stands now. */
final class PaperPrint
{
    public function __construct(private readonly Press $press, private readonly Bytes $bytes)
    {
    }

    /**
     * The bytes: the latest version of a finished paper, a draft with its entries printed in.
     *
     * @throws StepRefused when the paper is still expected
     */
    public function of(Paper $paper): string
    {
        $form = $paper->form();
        if ($paper->isDraft() && $form !== null) {
            return FilledPages::pdf(
                $form,
                Filling::of($form, $paper->entries(), FactBook::of($paper->file)),
                $this->press,
                PaperPiece::layer($paper),
            );
        }
        $version = $paper->latest ?? throw PaperRefusal::NothingToPrint->because(title: $paper->title);

        if ($version->made_by === MadeBy::Signed) {
            return $this->press->part(
                $this->bytes->path($version->sha256),
                $version->first_page,
                $version->first_page + $version->pages - 1,
            );
        }
        $layer = PaperPiece::layer($paper);
        $path = $this->bytes->path($version->sha256);

        if ($layer === []) {
            return $this->bytes->read($version->sha256);
        }
        $pdf = $this->press->writeOver($path, LayerPiece::draw($layer, [], PdfLook::into($path, gate: false)->pages()));
        $covered = array_values(
            array_unique(
                array_map(
                    static fn (LayerPiece $piece) => $piece->page,
                    array_filter($layer, static fn (LayerPiece $piece) => $piece->kind === LayerKind::Cover),
                ),
            ),
        );

        // What someone covers is not to be read in the file either.
        return $covered === [] ? $pdf : $this->press->asPictures($pdf, $covered);
    }

    /**
     * The paper as a file to keep or pass on: once everyone has signed, sealed on its own with its evidence record behind it, byte
     * for byte; before that as `of()`.
     *
     * @throws StepRefused when the paper is still expected
     */
    public function whole(Paper $paper): string
    {
        $latest = $paper->latest;
        $isSealed =
            $latest?->made_by === MadeBy::Signed &&
            SealedSet::query()->whereNotNull('round_paper_id')->where('sha256', $latest->sha256)->exists();

        return $isSealed ? $this->bytes->read($latest->sha256) : $this->of($paper);
    }

    /** What stands in the blanks of a draft as it is printed now; null when it is none. */
    public function reading(Paper $paper): ?ReadBack
    {
        $form = $paper->form();
        if (! $paper->isDraft() || $form === null) {
            return null;
        }
        $values = [];
        foreach (Filling::of($form, $paper->entries(), FactBook::of($paper->file))->blanks as $name => $filled) {
            $filled->value === '' || ($values[$name] = $filled->value);
        }

        return new ReadBack(
            $form->number,
            $form->revision,
            $values,
            array_combine(range(1, count($form->pages)), range(1, count($form->pages))),
        );
    }
}
