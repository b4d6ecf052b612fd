<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/** Where a round stands. */
enum RoundStatus: string
{
    case Drafting = 'drafting';
    case Out = 'out';
    case Complete = 'complete';
    case Declined = 'declined';
    case Lapsed = 'lapsed';
    case Recalled = 'recalled';

    /** Whether nothing can be added to it any more. */
    public function isOver(): bool
    {
        return ! in_array($this, [self::Drafting, self::Out], true);
    }
}
