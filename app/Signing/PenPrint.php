<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\SigningMark;
use App\Storage\Bytes;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Press;
use Unanimus\Pages\SetPart;
use Unanimus\Signing\MarkDrawing;
use Unanimus\Signing\SignerStatus;

/** The papers of a round to be signed with a pen: who signs where stands in thin boxes on the pages. */
final readonly class PenPrint
{
    public function __construct(private Bytes $bytes, private Press $press)
    {
    }

    /** The PDF. What was signed on the screen is not printed: it is drawn over the scan when all is sealed. */
    public function of(Round $round): string
    {
        $round->load(['papers.paper', 'marks', 'signers', 'events']);
        $parts = $drawings = [];
        $page = 0;
        foreach ($round->papers as $sent) {
            $pdf = $this->bytes->path((string) $sent->sha256);
            $sizes = PdfLook::into($pdf)->pages();
            foreach ($round->marks->where('round_paper_id', $sent->id) as $mark) {
                $drawing = $drawings[$page + $mark->page] ??= new Drawing(...$sizes[$mark->page - 1]);
                $this->draw($drawing, $mark, $round);
            }
            $parts[] = new SetPart($sent->title, $pdf, $sent->pages, sections: $sent->paper->sections());
            $page += $sent->pages;
        }

        return $this->press->assemble($parts, static fn (int $page) => $drawings[$page] ?? null, "{$round->title}, to sign on paper");
    }

    /** The papers as they were sent, or as some signed them with a pen, with nothing drawn on them. */
    public function plain(Round $round): string
    {
        $round->load(['papers.paper', 'events']);
        $scan = PenScan::of($round);
        if ($scan !== null) {
            return $this->bytes->read($scan->sha256);
        }
        $parts = $round->papers->map(
            fn (RoundPaper $sent) => new SetPart(
                $sent->title,
                $this->bytes->path((string) $sent->sha256),
                $sent->pages,
                sections: $sent->paper->sections(),
            ),
        );

        return $this->press->assemble(array_values($parts->all()), null, $round->title);
    }

    private function draw(Drawing $drawing, SigningMark $mark, Round $round): void
    {
        $place = $mark->place();
        $filled = $mark->terms()->filled;
        if ($filled !== null) {
            MarkDrawing::on($drawing, $mark->kind, $place, null, $filled);

            return;
        }
        if ($round->signers->firstWhere('seat', $mark->seat)?->status === SignerStatus::Finished) {
            return;
        }
        $label = "{$mark->kind->label()} · {$mark->seatOf()->label()}";
        $drawing
            ->line($place->x, $place->y, $place->x + $place->width, $place->y)
            ->line($place->x, $place->y + $place->height, $place->x + $place->width, $place->y + $place->height)
            ->line($place->x, $place->y, $place->x, $place->y + $place->height)
            ->line($place->x + $place->width, $place->y, $place->x + $place->width, $place->y + $place->height)
            ->text($place->x + 1, $place->y - 1.5, 4.5, $label);
    }
}
