<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Drawing;
use Unanimus\Pages\Rect;

/**
 * What a signer's mark looks like on the page, on the screen and in the sealed set alike.
 */
final class MarkDrawing
{
    /** About as high as a printed line. */
    private const LINE = 15.0;

    /**
     * Draws one mark.
     *
     * @param AdoptedSignature|null $signature of whoever made it; not needed for what is text or a check mark
     * @param string $text what stands there, of every kind that is text
     */
    public static function on(Drawing $drawing, MarkKind $kind, Rect $place, ?AdoptedSignature $signature, string $text): void
    {
        match ($kind) {
            MarkKind::Signature => $signature === null || $drawing->piece($signature->signatureIn($place)),
            MarkKind::Initials => $signature === null || $drawing->piece($signature->initialsIn($place)),
            MarkKind::Tick => $drawing->cross($place),
            MarkKind::Strike => self::strike($drawing, $place, $signature),
            default => $text === '' || $drawing->entry($place, $text, str_contains($text, "\n")),
        };
    }

    /** A line through each line of the words, and the initials of whoever struck them at its end. */
    private static function strike(Drawing $drawing, Rect $place, ?AdoptedSignature $signature): void
    {
        $lines = max(1, (int) round($place->height / self::LINE));
        for ($line = 0; $line < $lines; $line++) {
            $y = $place->y + $place->height * ($line + 0.5) / $lines;
            $drawing->line($place->x, $y, $place->x + $place->width, $y, 1.1, '#16245c');
        }
        $signature === null ||
            $drawing->piece($signature->initialsIn(new Rect($place->x + $place->width - 12, max(0.5, $place->y - 8), 24, 9)));
    }
}
