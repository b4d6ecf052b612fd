<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\PageRead;
use Unanimus\Pages\PageRules;
use Unanimus\Pages\PageWords;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\ScannedPage;
use Unanimus\Pages\Word;
use Unanimus\Pages\WritingPlace;

/**
 * Finds where a paper that nobody here has seen is meant to be signed, initialled and dated, and by whom: reads its pages,
 * those that are but pictures too, and asks of each what its lines are for.
 */
final class MarkFinder
{
    /** A page with fewer words is a picture of one. */
    private const WORDS = 5;

    /** How sure what was read from a picture is, beside what the paper says itself. */
    private const READ = 0.9;

    /**
     * Whether a paper has pages that are but pictures.
     *
     * @throws \Unanimus\Pages\PdfRefused when it is no usable PDF
     * @throws \Unanimus\Pages\ToolFailed when a page cannot be read
     */
    public static function hasPictures(string $pdf): bool
    {
        $words = PageWords::of($pdf);
        foreach (PdfLook::into($pdf, gate: false)->pages() as $index => $size) {
            if (self::isPicture($words[$index + 1] ?? [])) {
                return true;
            }
        }

        return false;
    }

    /**
     * The places of a whole paper, page after page, from the top.
     *
     * @param list<Seat> $seats who may sign; empty: anyone
     * @param bool $scans whether pages that are but pictures are read too, which takes seconds for each
     * @param PrintedNames|null $names of the deal's people, who may be printed at a line
     * @return list<ProposedMark>
     *
     * @throws \Unanimus\Pages\PdfRefused when it is no usable PDF
     * @throws \Unanimus\Pages\ToolFailed when a page cannot be read
     */
    public static function in(string $pdf, array $seats = [], bool $scans = false, ?PrintedNames $names = null): array
    {
        $look = PdfLook::into($pdf, gate: false);
        $words = PageWords::of($pdf);
        $fields = SigningPlaces::fields($look);
        $found = [];
        foreach ($look->pages() as $index => [$width, $height]) {
            $page = $index + 1;
            $scan = $scans && self::isPicture($words[$page] ?? []) ? ScannedPage::of($pdf, $page, max($width, $height)) : null;
            if ($scan !== null) {
                $signed = array_map(
                    static fn (WritingPlace $one) => new WritingPlace($one->shape, $scan->asRead($one->place), $one->by, $one->caption),
                    $fields[$page] ?? [],
                );
                $read = new PageRead($page, $height * $scan->scale, $scan->words, $scan->rules, $signed);
                foreach (PageMarks::on($read, $seats, $names) as $mark) {
                    $found[] = $mark->at($scan->asItLies($mark->place), self::READ * $mark->sure);
                }

                continue;
            }
            // A page that says nothing of signing has no lines to be looked at.
            if (! SigningPlaces::speaksOfSigning($words[$page] ?? []) && ! isset($fields[$page])) {
                continue;
            }
            $read = new PageRead($page, $height, $words[$page] ?? [], PageRules::of($pdf, $page), $fields[$page] ?? []);
            array_push($found, ...PageMarks::on($read, $seats, $names));
        }

        return $found;
    }

    /** @param  list<Word>  $words */
    private static function isPicture(array $words): bool
    {
        return count($words) < self::WORDS;
    }
}
