<?php

declare(strict_types=1);

namespace Unanimus\Exchange;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why nothing is brought in from the exchange or a spreadsheet. */
enum ExchangeRefusal: string implements Reason
{
    use Refuses;

    case ListingGone = 'exchange.listing-gone';
    case NoSuchListing = 'exchange.no-such-listing';
    case NotTested = 'exchange.not-tested';
    case ColumnTwice = 'exchange.column-twice';
    case RowsAlreadyOpened = 'exchange.rows-already-opened';
    case NoListingNumber = 'exchange.no-listing-number';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::ListingGone => '{exchange} no longer has listing {number}. What was imported stays.',
            self::NoSuchListing => '{exchange} has no listing {number}. Check the number, or enter the property by hand.',
            self::NotTested => 'Test the import first to see what would be opened.',
            self::ColumnTwice => 'Two columns hold “{column}”. Ignore one of them.',
            self::RowsAlreadyOpened => 'Rows of this spreadsheet are already opened, so its columns cannot change.',
            self::NoListingNumber => 'This file has no listing number yet. Import the listing first.',
        };
    }
}
