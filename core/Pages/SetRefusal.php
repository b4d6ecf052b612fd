<?php

declare(strict_types=1);

namespace Unanimus\Pages;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why papers are not combined, or not given out to read. */
enum SetRefusal: string implements Reason
{
    use Refuses;

    case LastDayTooFar = 'set.last-day-too-far';
    case LastDayPassed = 'set.last-day-passed';
    case NoReader = 'set.no-reader';
    case StillCombined = 'set.still-combined';
    case NoPapers = 'set.no-papers';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::LastDayTooFar => 'A reading copy can stay open for one year at most.',
            self::LastDayPassed => 'The last day, {day}, has passed.',
            self::NoReader => 'Enter the name of the person who will read it.',
            self::StillCombined => 'These papers are still being combined. Wait until they are ready.',
            self::NoPapers => 'Select at least one paper to combine.',
        };
    }
}
