<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Pages\EditLost;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PageSkew;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\ToolFailed;

/**
 * Cuts the pages of a part out of the stacks they lie in: in their order, turned and set straight as the table says. The stacks
 * stay as they are.
 */
final class PageCutter
{
    /**
     * @param list<array{path: string, first: int}> $stacks the PDFs, and the page each stack begins on in its own
     * @param array<string, float> $skews degrees that lines fall, by id of the page
     * @return string|null the bytes of the PDF, all its pages there and of the size they had; null: it could not be cut
     */
    public static function cut(TablePart $part, array $stacks, array $skews = []): ?string
    {
        $scratch = new Scratch();
        $out = $scratch->path('part.pdf');
        $ranges = $turns = $straight = [];
        foreach ($part->pages as $index => $page) {
            $stack = $stacks[$page->stack - 1] ?? null;
            if ($stack === null) {
                return null;
            }
            array_push($ranges, $stack['path'], (string) ($stack['first'] + $page->page - 1));
            $page->turn === 0 || ($turns[$page->turn][] = $index + 1);
            $skew = $skews[$page->id()] ?? 0.0;
            $page->straight && $skew !== 0.0 && ($straight[$index + 1] = $skew);
        }
        $rotate = array_map(
            static fn (int $degrees, array $pages) => "--rotate=+{$degrees}:".implode(',', $pages),
            array_keys($turns),
            $turns,
        );
        try {
            (new NativeTool(60))->run(['qpdf', '--warning-exit-0', '--empty', '--pages', ...$ranges, '--', ...$rotate, $out]);
            $pdf = $straight === [] ? $scratch->get('part.pdf') : PageSkew::straighten($out, $straight);
            $sizes = PdfLook::into($scratch->put('read-back.pdf', $pdf))->pages();
        } catch (ToolFailed|PdfRefused|EditLost) {
            return null;
        }

        return count($sizes) === count($part->pages) ? $pdf : null;
    }
}
