<?php

declare(strict_types=1);

namespace Unanimus\Roster;

use Unanimus\Dates\LocalDate;
use Unanimus\Steps\StepRefused;

/** From when until when somebody works on another's files. */
final readonly class CoverPeriod
{
    private function __construct(public LocalDate $from, public ?LocalDate $until)
    {
    }

    /**
     * @param LocalDate|null $until null: until it is ended
     *
     * @throws StepRefused when it ends before it begins, or is over
     */
    public static function of(LocalDate $from, ?LocalDate $until, LocalDate $today): self
    {
        $until === null || ! $until->isBefore($from) || throw RosterRefusal::EndsBefore->because();
        $until === null || ! $until->isBefore($today) || throw RosterRefusal::IsOver->because();

        return new self($from, $until);
    }

    /** Whether it runs on a day, both ends included. */
    public function runs(LocalDate $day): bool
    {
        return ! $day->isBefore($this->from) && ($this->until === null || ! $day->isAfter($this->until));
    }
}
