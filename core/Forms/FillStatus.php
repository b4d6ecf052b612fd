<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Dates\LocalDate;

/**
 * Where a fill request stands: a link on which a client fills the blanks that are theirs.
 */
enum FillStatus: string
{
    case Out = 'out';
    case Finished = 'finished';
    case TakenBack = 'taken_back';

    /** Whether its link still takes entries on that day. */
    public function takes(LocalDate $lastDay, LocalDate $today): bool
    {
        return $this === self::Out && ! $lastDay->isBefore($today);
    }

    /** As read beside its last day. */
    public function label(LocalDate $lastDay, LocalDate $today): string
    {
        return match (true) {
            $this === self::Finished => 'finished',
            $this === self::TakenBack => 'withdrawn',
            $lastDay->isBefore($today) => 'past its last day',
            default => 'out',
        };
    }
}
