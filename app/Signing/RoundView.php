<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\SigningMark;
use App\Papers\PaperView;
use App\Storage\Bytes;
use Unanimus\Dates\LocalDate;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\PdfLook;
use Unanimus\Signing\MarkDrawing;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SignerStatus;

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
                    'marks' => self::marks($round, $sent, $page),
                ];
            }
        }

        return new self($pages);
    }

    /** As a signer sees it: the papers as they were sent. */
    public static function forSigner(Round $round, string $token): self
    {
        $pages = [];
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
                    'marks' => self::marks($round, $sent, $page),
                ];
            }
        }

        return new self($pages);
    }

    /** @return list<array{mark: SigningMark, made: bool, drawn: string}> */
    private static function marks(Round $round, RoundPaper $sent, int $page): array
    {
        $made = array_merge(...array_values($round->status === RoundStatus::Drafting ? [[]] : $round->state()->made));
        $marks = [];
        foreach ($round->marks as $mark) {
            if ($mark->round_paper_id !== $sent->id || $mark->page !== $page) {
                continue;
            }
            $signer = $round->signers->firstWhere('seat', $mark->seat);
            $signature = $signer?->signature();
            $isMade = in_array($mark->key, $made, true);
            $shows = $isMade || (! $mark->kind->needsAct() && $signer?->status === SignerStatus::Finished);
            $drawing = new Drawing(612, 792);
            if ($shows && $signature !== null) {
                MarkDrawing::on(
                    $drawing,
                    $mark->kind,
                    $mark->place(),
                    $signature,
                    $mark->kind === MarkKind::Date ? self::day($round, $mark->seat) : '',
                );
            }
            $marks[] = ['mark' => $mark, 'made' => $isMade, 'drawn' => $drawing->inner()];
        }

        return $marks;
    }

    private static function day(Round $round, string $seat): string
    {
        $event = $round->events->last(static fn ($event) => $event->seat === $seat && $event->kind === 'finished');

        return $event === null ? '' : LocalDate::at($event->at, $round->file->office->timeZone())->slashed();
    }
}
