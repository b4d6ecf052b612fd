<?php

declare(strict_types=1);

namespace Unanimus\Retention;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why a file is not archived, held or purged, or a period is not kept. */
enum RetentionRefusal: string implements Reason
{
    use Refuses;

    case NoYears = 'retention.no-years';
    case NoDays = 'retention.no-days';
    case StillOpen = 'retention.still-open';
    case NoReason = 'retention.no-reason';
    case NotTheirs = 'retention.not-theirs';
    case NotDue = 'retention.not-due';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::NoYears => '“{typed}” is no number of years from 1 to 99. Leave it empty to keep such files for good. Nothing was '.
                'changed.',
            self::NoDays => '“{typed}” is no number of days. Leave it empty to archive files by hand only. Nothing was changed.',
            self::StillOpen => 'This file is still open. Close or end it first.',
            self::NoReason => 'Say why it is held: whoever lifts the hold needs to know.',
            self::NotTheirs => 'Only the broker of {office} or an administrator does this.',
            self::NotDue => 'It is not time to purge this file.',
        };
    }
}
