<?php

declare(strict_types=1);

namespace Unanimus\Review;

use Unanimus\Files\StepRefused;

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
            self::Submitted => throw new StepRefused('This was already submitted and is waiting for the broker.'),
            self::Accepted => throw new StepRefused('This was already accepted.'),
            self::DoesNotApply => throw new StepRefused('This was marked as not applicable.'),
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
            throw new StepRefused('Say in a remark what to fix.');
        }

        return $this->reviewed(self::SentBack);
    }

    /**
     * After the reviewer grants that it does not apply.
     *
     * @throws StepRefused when it is settled already or no reason is given
     */
    public function waive(string $reason): self
    {
        if ($this->isSettled()) {
            throw new StepRefused('This is already done.');
        }
        if (trim($reason) === '') {
            throw new StepRefused('Say why it does not apply.');
        }

        return self::DoesNotApply;
    }

    private function reviewed(self $to): self
    {
        return $this === self::Submitted ? $to : throw new StepRefused('Only a submitted paper can be accepted or sent back.');
    }
}
