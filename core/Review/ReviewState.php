<?php

declare(strict_types=1);

namespace Unanimus\Review;

use Unanimus\Steps\StepRefused;

/**
 * Where a requirement stands in review, and where it may go.
 */
enum ReviewState: string
{
    case NotSubmitted = 'not_submitted';
    case Submitted = 'submitted';
    case SentBack = 'sent_back';
    case Accepted = 'accepted';
    case DoesNotApply = 'does_not_apply';

    /** As read. */
    public function label(): string
    {
        return ucfirst(str_replace('_', ' ', $this->value));
    }

    /** Whether nothing more is owed on it. */
    public function isSettled(): bool
    {
        return $this === self::Accepted || $this === self::DoesNotApply;
    }

    /** Whether its paper is the reviewer's: handed in, and not sent back since. */
    public function isWithReviewer(): bool
    {
        return $this === self::Submitted || $this === self::Accepted;
    }

    /**
     * After the agent hands it in.
     *
     * @throws StepRefused when it is with the reviewer already, or settled
     */
    public function submit(): self
    {
        return match ($this) {
            self::NotSubmitted, self::SentBack => self::Submitted,
            self::Submitted => throw ReviewRefusal::AlreadySubmitted->because(),
            self::Accepted => throw ReviewRefusal::AlreadyAccepted->because(),
            self::DoesNotApply => throw ReviewRefusal::DoesNotApply->because(),
        };
    }

    /**
     * After the reviewer accepts it.
     *
     * @throws StepRefused when it has not been handed in
     */
    public function accept(): self
    {
        return $this->reviewed(self::Accepted);
    }

    /**
     * After the reviewer sends it back.
     *
     * @throws StepRefused when it has not been handed in, or no remark says why
     */
    public function sendBack(string $remark): self
    {
        if (trim($remark) === '') {
            throw ReviewRefusal::NoRemark->because();
        }

        return $this->reviewed(self::SentBack);
    }

    /**
     * Lets pass the question whether it applies at all.
     *
     * @throws StepRefused when it is with the reviewer or settled, or no reason is given
     */
    public function mayAskOff(string $reason): void
    {
        $this->mustBeInOurHands();
        trim($reason) !== '' || throw ReviewRefusal::NoReason->because();
    }

    /**
     * Lets pass what changes a requirement: which papers meet it, whether it applies.
     *
     * @throws StepRefused when it is with the reviewer or settled
     */
    public function mustBeInOurHands(): void
    {
        match (true) {
            $this->isSettled() => throw ReviewRefusal::AlreadySettled->because(),
            $this === self::Submitted => throw ReviewRefusal::AlreadySubmitted->because(),
            default => null,
        };
    }

    /**
     * After the reviewer grants that it does not apply.
     *
     * @throws StepRefused when it is settled already or no reason is given
     */
    public function waive(string $reason): self
    {
        if ($this->isSettled()) {
            throw ReviewRefusal::AlreadySettled->because();
        }
        if (trim($reason) === '') {
            throw ReviewRefusal::NoReason->because();
        }

        return self::DoesNotApply;
    }

    /**
     * After the agent takes it back.
     *
     * @param bool $isRead whether somebody has begun to read it
     *
     * @throws StepRefused when it is not with the reviewer, or is being read
     */
    public function withdraw(bool $isRead): self
    {
        return match (true) {
            $this !== self::Submitted => throw ReviewRefusal::NotSubmitted->because(),
            $isRead => throw ReviewRefusal::BeingRead->because(),
            default => self::NotSubmitted,
        };
    }

    /** After a newer version came over its paper: what was looked at was another one. */
    public function changed(): self
    {
        return $this->isWithReviewer() ? self::NotSubmitted : $this;
    }

    private function reviewed(self $to): self
    {
        return $this === self::Submitted ? $to : throw ReviewRefusal::NotSubmitted->because();
    }
}
