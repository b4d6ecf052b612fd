<?php

declare(strict_types=1);

namespace Unanimus\Files;

/**
 * Where a file stands, and where it may go from there.
 */
enum DealStatus: string
{
    case Preparing = 'preparing';
    case Active = 'active';
    case UnderContract = 'under_contract';
    case Closed = 'closed';
    case Terminated = 'terminated';
    case Expired = 'expired';
    case Withdrawn = 'withdrawn';

    /** As read on the screen. */
    public function label(): string
    {
        return ucfirst(str_replace('_', ' ', $this->value));
    }

    /** Whether it belongs in the working lists. */
    public function isOpen(): bool
    {
        return in_array($this, [self::Preparing, self::Active, self::UnderContract], true);
    }

    /** @return list<self> those a file is worked on in */
    public static function open(): array
    {
        return array_values(array_filter(self::cases(), static fn (self $status) => $status->isOpen()));
    }

    /** @return list<self> where it may go from here */
    public function next(): array
    {
        return match ($this) {
            self::Preparing => [self::Active, self::UnderContract, self::Terminated, self::Withdrawn],
            self::Active => [self::UnderContract, self::Terminated, self::Expired, self::Withdrawn],
            self::UnderContract => [self::Active, self::Closed, self::Terminated],
            self::Expired, self::Withdrawn, self::Terminated, self::Closed => [self::Preparing, self::Active, self::UnderContract],
        };
    }

    /**
     * The status it moves to.
     *
     * @throws StepRefused when it cannot go there from here
     */
    public function to(self $status): self
    {
        if (! in_array($status, $this->next(), true)) {
            throw new StepRefused("A file that is {$this->readable()} cannot become {$status->readable()}.");
        }

        return $status;
    }

    /**
     * Who may take a file from here anywhere: those who serve it, but what has ended is reopened by the broker alone.
     *
     * @return 'server'|'broker'
     */
    public function movedBy(): string
    {
        return $this->isOpen() ? 'server' : 'broker';
    }

    /** Whether moving there needs a reason: whatever ends a file without closing it, and whatever opens it again. */
    public function needsReason(self $status): bool
    {
        return ! $this->isOpen() || in_array($status, [self::Terminated, self::Withdrawn, self::Expired], true);
    }

    /**
     * Lets pass what changes the deal itself: terms, people, dates, entries, rounds. Documents that come in late, review and
     * commission go on after the end.
     *
     * @throws StepRefused when the deal has ended
     */
    public function mustBeOpen(): void
    {
        if (! $this->isOpen()) {
            throw new StepRefused("This file is {$this->readable()}. What was agreed stays as it is. The broker can reopen it.");
        }
    }

    /** In a sentence: "under contract". */
    public function readable(): string
    {
        return str_replace('_', ' ', $this->value);
    }
}
