<?php

declare(strict_types=1);

namespace Unanimus\Dates;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why a date of a file is not moved or marked. */
enum DateRefusal: string implements Reason
{
    use Refuses;

    case NoSuchDeadline = 'date.no-such-deadline';
    case NothingCountsFromIt = 'date.nothing-counts-from-it';
    case FollowsTheContract = 'date.follows-the-contract';
    case NoReason = 'date.no-reason';
    case ChangedMeanwhile = 'date.changed-meanwhile';
    case NoReasonUnderContract = 'date.no-reason-under-contract';
    case AnchorOfContract = 'date.anchor-of-contract';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::NoSuchDeadline => 'This file has no such deadline.',
            self::NothingCountsFromIt => 'No other dates are counted from this one.',
            self::FollowsTheContract => 'This date already follows the contract.',
            self::NoReason => 'Give a reason why this date differs from the contract.',
            self::ChangedMeanwhile => '{who} {did} while you were on this page. Check it, then move it again if you still need to.',
            self::NoReasonUnderContract => 'There is a contract. Give a reason for the new date, such as “amendment 1 signed”.',
            self::AnchorOfContract => 'There is a contract. You can move its dates, but not remove them.',
        };
    }
}
