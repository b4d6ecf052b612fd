<?php

declare(strict_types=1);

namespace Unanimus\Running;

/** How far a new brokerage is with setting up: what is there counts by itself, the rest as its administrator says. */
final readonly class Setup
{
    /** @param  array<string, SetupState>  $states  by step */
    private function __construct(private array $states)
    {
    }

    /**
     * @param list<SetupStep> $found what is there: it was done, by whatever way
     * @param array<string, SetupState> $said what was said of steps, by step
     */
    public static function of(array $found, array $said): self
    {
        $states = [];
        foreach (SetupStep::cases() as $step) {
            $states[$step->value] = in_array($step, $found, true) ? SetupState::Done : $said[$step->value] ?? SetupState::Open;
        }

        return new self($states);
    }

    /** How a step stands. */
    public function state(SetupStep $step): SetupState
    {
        return $this->states[$step->value];
    }

    /** How many steps are seen to, those left for later among them. */
    public function settled(): int
    {
        return count(array_filter($this->states, static fn (SetupState $state) => $state->isSettled()));
    }

    /** The first that nobody saw to; null when all are. */
    public function next(): ?SetupStep
    {
        foreach (SetupStep::cases() as $step) {
            if (! $this->state($step)->isSettled()) {
                return $step;
            }
        }

        return null;
    }

    /** Whether somebody has to be asked before files can be worked on: without people there is nobody to open one. */
    public function isReady(): bool
    {
        return $this->state(SetupStep::People) === SetupState::Done;
    }
}
