<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\PaperPiece;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\SigningMark;
use App\Papers\PaperView;
use App\Terms\FactBook;
use Unanimus\Pages\Drawing;
use Unanimus\Signing\RoundStatus;
use Unanimus\Terms\Facts;

/** A round's pages made ready for the screen, with the marks on them. */
final readonly class RoundView
{
    /**
     * @param list<array{paper: RoundPaper, page: int, width: float, height: float, image: string, inner: string,
     *     marks: list<array{mark: SigningMark, made: bool, drawn: string}>}> $pages
     */
    private function __construct(public array $pages)
    {
    }

    /** As its sender sees it, drafts with what is filled in. */
    public static function of(Round $round, ?Facts $facts = null): self
    {
        $pages = [];
        $drafting = $round->status === RoundStatus::Drafting;
        $scan = self::scan($round);
        // On the desk of a draft the places are drawn by the page itself.
        $marks = $drafting ? [] : self::marks($round);
        $facts ??= FactBook::of($round->file);
        $layers = $drafting ? PaperPiece::layers($round->papers->map(static fn (RoundPaper $sent) => $sent->paper)) : [];
        foreach ($round->papers as $sent) {
            $view = PaperView::of($sent->paper->setRelation('file', $round->file), false, $facts, false);
            $drawings = $drafting ? $view->drawings($layers[$sent->paper_id] ?? []) : [];
            $sizes = $drafting || $sent->sha256 === null ? $view->sizes : PaperView::sizes($sent->sha256);
            foreach ($sizes as $index => [$width, $height]) {
                $page = $index + 1;
                $pages[] = [
                    'paper' => $sent,
                    'page' => $page,
                    'width' => $width,
                    'height' => $height,
                    'inner' => ($drawings[$page] ?? null)?->inner() ?? '',
                    'image' => $drafting
                        ? "/papers/{$sent->paper->key}/pages/{$page}.webp?v={$view->stamp}"
                        : "/rounds/{$round->key}/papers/{$sent->position}/pages/{$page}.webp{$scan}",
                    'marks' => $marks["{$sent->id}/{$page}"] ?? [],
                ];
            }
        }

        return new self($pages);
    }

    /** Behind the address of a page once it is that of a scan: another picture has another address. */
    private static function scan(Round $round): string
    {
        $scan = $round->status === RoundStatus::Drafting ? null : PenScan::of($round);

        return $scan === null ? '' : '?v='.substr($scan->sha256, 0, 8);
    }

    /** As a signer sees it: the papers as they were sent. */
    public static function forSigner(Round $round, string $token): self
    {
        $pages = [];
        $scan = self::scan($round);
        $marks = self::marks($round);
        foreach ($round->papers as $sent) {
            foreach (PaperView::sizes((string) $sent->sha256) as $index => [$width, $height]) {
                $page = $index + 1;
                $pages[] = [
                    'paper' => $sent,
                    'page' => $page,
                    'width' => $width,
                    'height' => $height,
                    'inner' => '',
                    'image' => "/sign/{$token}/papers/{$sent->position}/pages/{$page}.webp{$scan}",
                    'marks' => $marks["{$sent->id}/{$page}"] ?? [],
                ];
            }
        }

        return new self($pages);
    }

    /** @return array<string, list<array{mark: SigningMark, made: bool, drawn: string}>> by paper and page, in the order of reading */
    private static function marks(Round $round): array
    {
        $words = new MarkWords($round);
        $marks = [];
        foreach ($round->marks->sortBy(static fn (SigningMark $mark) => [round((float) $mark->y / 6), (float) $mark->x]) as $mark) {
            $drawing = new Drawing(612, 792);
            $words->draw($drawing, $mark);
            $marks["{$mark->round_paper_id}/{$mark->page}"][] = [
                'mark' => $mark,
                'made' => $words->stands($mark),
                'drawn' => $drawing->inner(),
            ];
        }

        return $marks;
    }
}
