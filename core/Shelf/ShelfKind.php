<?php

declare(strict_types=1);

namespace Unanimus\Shelf;

/** What stands on the shelf. */
enum ShelfKind: string
{
    /** A document as it is handed out. */
    case Document = 'document';
    /** A place outside, to look something up. */
    case Link = 'link';
    /** A person's own sheet, made of what is known of them. */
    case Sheet = 'sheet';

    /** Whether it is a document that files take. */
    public function isPaper(): bool
    {
        return $this !== self::Link;
    }
}
