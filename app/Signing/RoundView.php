<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\SigningMark;
use App\Papers\PaperView;
use App\Storage\Bytes;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\PdfLook;
use Unanimus\Signing\RoundStatus;

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
    public static function of(Round $round): self
    {
        $pages = [];
        $words = new MarkWords($round);
        foreach ($round->papers as $sent) {
            $drafting = $round->status === RoundStatus::Drafting;
            $view = PaperView::of($sent->paper->setRelation('file', $round->file));
            $drawings = $drafting ? $view->drawings() : [];
            $sizes = $drafting || $sent->sha256 === null ? $view->sizes : PdfLook::into(app(Bytes::class)->path($sent->sha256))->pages();
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
                        : "/rounds/{$round->key}/papers/{$sent->position}/pages/{$page}.webp",
                    'marks' => self::marks($words, $round, $sent, $page),
                ];
            }
        }

        return new self($pages);
    }

    /** As a signer sees it: the papers as they were sent. */
    public static function forSigner(Round $round, string $token): self
    {
        $pages = [];
        $words = new MarkWords($round);
        foreach ($round->papers as $sent) {
            foreach (PdfLook::into(app(Bytes::class)->path((string) $sent->sha256))->pages() as $index => [$width, $height]) {
                $page = $index + 1;
                $pages[] = [
                    'paper' => $sent,
                    'page' => $page,
                    'width' => $width,
                    'height' => $height,
                    'inner' => '',
                    'image' => "/sign/{$token}/papers/{$sent->position}/pages/{$page}.webp",
                    'marks' => self::marks($words, $round, $sent, $page),
                ];
            }
        }

        return new self($pages);
    }

    /** @return list<array{mark: SigningMark, made: bool, drawn: string}> */
    private static function marks(MarkWords $words, Round $round, RoundPaper $sent, int $page): array
    {
        $marks = [];
        // In the order of reading, which is the order of signing.
        $inOrder = $round->marks->sortBy(static fn (SigningMark $mark) => [round((float) $mark->y / 6), (float) $mark->x]);
        foreach ($inOrder as $mark) {
            if ($mark->round_paper_id !== $sent->id || $mark->page !== $page) {
                continue;
            }
            $drawing = new Drawing(612, 792);
            $words->draw($drawing, $mark);
            $marks[] = ['mark' => $mark, 'made' => $words->stands($mark), 'drawn' => $drawing->inner()];
        }

        return $marks;
    }
}
