<?php

declare(strict_types=1);

namespace App\Assembly\Actions;

use App\Models\Paper;
use App\Papers\PaperPrint;
use Unanimus\Pages\AssembledPdf;
use Unanimus\Pages\BlankPages;
use Unanimus\Pages\CoverSheet;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\SetOptions;
use Unanimus\Pages\SetPart;
use Unanimus\Pages\SetRefusal;
use Unanimus\Steps\StepRefused;

/** Puts chosen papers in chosen order into one PDF: with bookmarks, and as asked a cover sheet, stamped pages, no blank ones. */
final class MakeSet
{
    public function __construct(private readonly Press $press, private readonly PaperPrint $print)
    {
    }

    /**
     * @param list<Paper> $papers
     * @param list<string> $lines what stands on the cover sheet under its title
     * @throws StepRefused when none is chosen or one has not come in
     */
    public function __invoke(array $papers, SetOptions $options = new SetOptions(), string $title = '', array $lines = []): AssembledPdf
    {
        $scratch = new Scratch();

        return $this->together(
            array_map(fn (int $index, Paper $paper) => $this->part($paper, $options, $scratch, $index), array_keys($papers), $papers),
            $options,
            $title,
            $lines,
            $scratch,
        );
    }

    /**
     * One paper made ready, as a file in the folder.
     *
     * @throws StepRefused when it has not come in
     */
    public function part(Paper $paper, SetOptions $options, Scratch $scratch, int $index): SetPart
    {
        $pdf = $scratch->put("{$index}.pdf", $this->print->of($paper));
        $pages =
            $paper->isDraft() || $paper->latest === null
                ? (int) (new NativeTool())->run(['qpdf', '--warning-exit-0', '--show-npages', $pdf])
                : (int) $paper->latest->pages;
        $title = trim("{$paper->form_number} {$paper->title}");
        $blank = $options->leaveBlankOut ? BlankPages::of($pdf) : [];
        // A paper of nothing but blank pages was chosen as it is.
        if ($blank === [] || count($blank) === $pages) {
            return new SetPart($title, $pdf, $pages, sections: $paper->sections());
        }
        $kept = array_values(array_diff(range(1, $pages), $blank));
        $note = (count($blank) === 1 ? 'A blank page was' : count($blank).' blank pages were').
            " left out of {$paper->title}: ".
            implode(', ', $blank).
            '.';

        return new SetPart($title, $pdf, count($kept), $kept, $paper->sections(), $note);
    }

    /**
     * Parts made ready, put together.
     *
     * @param list<SetPart> $parts each with the number of its pages
     * @param list<string> $lines
     *
     * @throws StepRefused when there are none
     */
    public function together(array $parts, SetOptions $options, string $title, array $lines, Scratch $scratch): AssembledPdf
    {
        if ($parts === []) {
            throw SetRefusal::NoPapers->because();
        }
        $notes = array_values(array_filter(array_map(static fn (SetPart $part) => $part->note, $parts)));
        $cover = $options->cover ? CoverSheet::count(count($parts)) : 0;
        $page = $cover;
        $owners = [];
        $listed = [];
        foreach ($parts as $part) {
            $pages = (int) $part->pages;
            $listed[] = ['title' => $part->title, 'page' => $page + 1, 'pages' => $pages];
            for ($own = 1; $own <= $pages; $own++) {
                $owners[++$page] = [$part->title, $own, $pages];
            }
        }
        if ($cover > 0) {
            $sheet = $scratch->put('cover.pdf', $this->press->print(CoverSheet::draw($title, $lines, $listed)));
            array_unshift($parts, new SetPart('Cover sheet', $sheet, $cover));
        }

        return new AssembledPdf(
            $this->press->assemble(
                $parts,
                static fn (int $page, int $count) => isset($owners[$page]) ? $options->stamp->foot($page, $count, ...$owners[$page]) : null,
            ),
            $page,
            $notes,
        );
    }
}
