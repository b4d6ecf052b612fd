<?php

declare(strict_types=1);

namespace Unanimus\Files;

/** How a version of a paper came about. */
enum MadeBy: string
{
    case Uploaded = 'uploaded';
    case Sent = 'sent';
    case Signed = 'signed';
    case Computed = 'computed';
    case Submitted = 'submitted';
    case Exchange = 'exchange';

    /** As read in the list of versions. */
    public function label(): string
    {
        return match ($this) {
            self::Uploaded => 'Uploaded',
            self::Sent => 'Sent for signature',
            self::Signed => 'Signed',
            self::Computed => 'Made here',
            self::Submitted => 'Submitted',
            self::Exchange => 'From the listing exchange',
        };
    }
}
