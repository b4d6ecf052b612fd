<?php

declare(strict_types=1);

namespace Unanimus\Shelf;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why something is not put on the shelf or taken from it. */
enum ShelfRefusal: string implements Reason
{
    use Refuses;

    case NoTitle = 'shelf.no-title';
    case NoLink = 'shelf.no-link';
    case NoDocument = 'shelf.no-document';
    case PutAway = 'shelf.put-away';
    case SheetFull = 'shelf.sheet-full';
    case Changed = 'shelf.changed';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::NoTitle => 'Give it a title by which others find it.',
            self::NoLink => 'Enter a full web address. It begins with https://.',
            self::NoDocument => 'Choose a document to put on the shelf.',
            self::PutAway => '“{title}” was archived. Select another one.',
            self::SheetFull => 'These words do not fit on one page. Shorten them.',
            self::Changed => 'Someone put a newer version there meanwhile. Reload the page to see it. Nothing was changed.',
        };
    }
}
