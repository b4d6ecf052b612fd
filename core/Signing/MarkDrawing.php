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
            default => $text === '' || $drawing->entry($place, $text, str_contains($text, "\n")),
        };
    }
}
