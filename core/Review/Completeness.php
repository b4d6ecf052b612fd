<?php

declare(strict_types=1);

namespace Unanimus\Review;

/**
 * How much of a file's checklist is settled.
 */
final readonly class Completeness
{
    private function __construct(public int $settled, public int $all)
    {
    }

    /** @param  iterable<ReviewState>  $states of every requirement */
    public static function of(iterable $states): self
    {
        $settled = 0;
        $all = 0;
        foreach ($states as $state) {
            $all++;
            $settled += $state->isSettled() ? 1 : 0;
        }

        return new self($settled, $all);
    }

    /** In whole percent, rounded down so that 100 means all; an empty checklist is at 0. */
    public function percent(): int
    {
        return $this->all === 0 ? 0 : intdiv($this->settled * 100, $this->all);
    }

    /** How many are not settled. */
    public function open(): int
    {
        return $this->all - $this->settled;
    }

    /** Whether every requirement is settled and there is at least one. */
    public function isWhole(): bool
    {
        return $this->all > 0 && $this->settled === $this->all;
    }
}
