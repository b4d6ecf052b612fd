<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Dates\LocalDate;
use Unanimus\Steps\StepRefused;

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

    /**
     * Lets pass putting its answers away.
     *
     * @throws StepRefused when the client has not finished
     */
    public function mustBeFinished(string $name): void
    {
        $this === self::Finished || throw FillRefusal::NotFinished->because(name: $name);
    }

    /**
     * After it is taken back.
     *
     * @throws StepRefused when the client has finished, or it was taken back before
     */
    public function takeBack(string $name): self
    {
        return $this === self::Out ? self::TakenBack : throw FillRefusal::AlreadyFinished->because(name: $name);
    }

    /**
     * Lets pass a last day to fill it in.
     *
     * @throws StepRefused when it is past
     */
    public static function mustBeAhead(LocalDate $lastDay, LocalDate $today): void
    {
        ! $lastDay->isBefore($today) || throw FillRefusal::LastDayPassed->because(day: $lastDay->short($today->year()));
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
