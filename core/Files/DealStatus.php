<?php

declare(strict_types=1);

namespace Unanimus\Files;

use Unanimus\Dates\LocalDate;
use Unanimus\Steps\StepRefused;

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
            throw FileRefusal::NoSuchStep->because(from: $this->readable(), to: $status->readable());
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

    /**
     * Lets pass a move of the file by a person.
     *
     * @param bool $byBroker whether the broker moves it, or the application itself
     * @param string $reason as given
     * @param LocalDate|null $on the day it ended; null: today
     *
     * @throws StepRefused when it cannot go there from here, they may not, no reason is given where one is needed, or it ends in the future
     */
    public function move(self $status, bool $byBroker, string $reason, ?LocalDate $on, LocalDate $today): void
    {
        $this->to($status);
        match (true) {
            $this->movedBy() === 'broker' && ! $byBroker => throw FileRefusal::OnlyBrokerReopens->because(status: $this->readable()),
            $reason === '' && $this->needsReason($status) => throw ($status->isOpen()
                ? FileRefusal::NoReasonToReopen
                : FileRefusal::NoReasonToEnd
            )->because(),
            $on !== null && $on->isAfter($today) => throw FileRefusal::EndsInTheFuture->because(),
            default => null,
        };
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
            throw FileRefusal::HasEnded->because(status: $this->readable());
        }
    }

    /** In a sentence: "under contract". */
    public function readable(): string
    {
        return str_replace('_', ' ', $this->value);
    }
}
