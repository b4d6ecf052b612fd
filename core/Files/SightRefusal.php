<?php

declare(strict_types=1);

namespace Unanimus\Files;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why it does not change who sees a paper. */
enum SightRefusal: string implements Reason
{
    use Refuses;

    case OnlyStaff = 'sight.only-staff';
    case OutOfOwnSight = 'sight.out-of-own-sight';
    case BothSidesSeeIt = 'sight.both-sides-see-it';
    case NoSuchSide = 'sight.no-such-side';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::OnlyStaff => 'Only the file’s coordinator or the broker can limit a paper to the office.',
            self::OutOfOwnSight => 'You can show a paper to the other side, but you must still be able to see it.',
            self::BothSidesSeeIt => 'Both sides see this paper. Only the file’s coordinator or the broker can limit it to one side.',
            self::NoSuchSide => 'This file has no such side. Nothing was changed.',
        };
    }
}
