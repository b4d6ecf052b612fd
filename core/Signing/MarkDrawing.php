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
    /** Draws one mark; dates are as the signer's day was, "11/23/2026". */
    public static function on(
        Drawing $drawing,
        MarkKind $kind,
        Rect $place,
        AdoptedSignature $signature,
        string $date,
        string $text = '',
    ): void {
        match ($kind) {
            MarkKind::Signature => $drawing->piece($signature->signatureIn($place)),
            MarkKind::Initials => $drawing->piece($signature->initialsIn($place)),
            MarkKind::Date => $drawing->entry($place, $date),
            MarkKind::Name => $drawing->entry($place, $signature->name),
            MarkKind::Time, MarkKind::Capacity, MarkKind::Text => $drawing->entry($place, $text),
            MarkKind::Tick => $drawing->cross($place),
        };
    }
}
