<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\Papers\Models\Paper;
use App\Papers\PaperPrint;
use Unanimus\Files\StepRefused;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;

/** Puts chosen papers in chosen order into one PDF with bookmarks and page numbers. */
final class AssemblePapers
{
    public function __construct(private readonly Press $press, private readonly PaperPrint $print)
    {
    }

    /**
     * @param list<Paper> $papers
     *
     * @throws StepRefused when none is chosen or one has not come in
     */
    public function __invoke(array $papers): string
    {
        if ($papers === []) {
            throw new StepRefused('Choose at least one paper to put together.');
        }
        $scratch = new Scratch;
        $parts = [];
        foreach ($papers as $index => $paper) {
            $parts[] = ['title' => trim("{$paper->form_number} {$paper->title}"), 'pdf' => $scratch->put("{$index}.pdf", $this->print->of($paper)), ...($paper->isDraft() ? [] : ['pages' => (int) $paper->latest?->pages])];
        }

        return $this->press->assemble($parts, static fn (int $page, int $count) => (new Drawing(612, 792))->text(540, 784, 6.5, "{$page} / {$count}", fill: '#56635c'));
    }
}
