<?php

declare(strict_types=1);

namespace Unanimus\Files;

use Unanimus\Steps\StepRefused;

/**
 * Where a paper stands in its file, and where it may go from there.
 */
enum PaperState: string
{
    /** A place kept for what is still to come in. */
    case Expected = 'expected';
    case Draft = 'draft';
    /** Here as pages from outside, or filled and for nobody to sign. */
    case Ready = 'ready';
    case Out = 'out';
    case Signed = 'signed';
    /** Out of the file, and kept. */
    case Void = 'void';

    /** In a sentence: "out for signature". */
    public function readable(): string
    {
        return match ($this) {
            self::Draft => 'a draft',
            self::Out => 'out for signature',
            default => $this->value,
        };
    }

    /** @return list<self> where it may go from here */
    public function next(): array
    {
        return match ($this) {
            self::Expected => [self::Draft, self::Ready, self::Signed, self::Void],
            self::Draft => [self::Ready, self::Out, self::Signed, self::Void],
            self::Ready => [self::Draft, self::Out, self::Signed, self::Void],
            self::Out => [self::Draft, self::Ready, self::Signed],
            self::Signed => [self::Ready, self::Void],
            self::Void => [self::Draft, self::Expected],
        };
    }

    /**
     * The state it moves to; staying where it is is no move and always allowed.
     *
     * @throws StepRefused when it cannot go there from here
     */
    public function to(self $state): self
    {
        if ($state !== $this && ! in_array($state, $this->next(), true)) {
            throw PaperRefusal::NoSuchStep->because(from: $this->readable(), to: $state->readable());
        }

        return $state;
    }

    /** Whether what stands on it may still be changed, and it may go out for signature. */
    public function isOpen(): bool
    {
        return $this === self::Draft || $this === self::Ready;
    }

    /** Whether it has left the brokerage or come back signed: what stood on it then stays. */
    public function isFixed(): bool
    {
        return $this === self::Out || $this === self::Signed;
    }

    /**
     * Why nothing on its pages can be changed now; null when it can.
     *
     * @param bool $withReviewer whether it was handed in, and not sent back since
     */
    public function refusesChange(bool $withReviewer = false): ?PaperRefusal
    {
        return match (true) {
            $this === self::Out => PaperRefusal::OutForSignature,
            $this === self::Signed => PaperRefusal::Signed,
            $this === self::Expected => PaperRefusal::NotArrived,
            $this === self::Void => PaperRefusal::Void,
            $withReviewer => PaperRefusal::InReview,
            default => null,
        };
    }

    /**
     * Lets pass what takes the paper out of its file.
     *
     * @param string|null $calledFor why a rule calls for it; null: none does
     *
     * @throws StepRefused when it is called for, out for signature, signed or out of the file already
     */
    public function mustLeave(string $title, ?string $calledFor): void
    {
        match (true) {
            $this === self::Void => throw PaperRefusal::AlreadyRemoved->because(title: $title),
            $this->isFixed() => throw PaperRefusal::StaysInFile->because(title: $title, state: $this->readable()),
            $calledFor !== null => throw PaperRefusal::CalledFor->because(title: $title, reason: $calledFor),
            default => null,
        };
    }

    /**
     * Lets pass what is done to the paper as a whole: a newer version, its end, who sees it.
     *
     * @throws StepRefused when it is out for signature or void
     */
    public function mustBeInHand(string $title): void
    {
        match ($this) {
            self::Out => throw PaperRefusal::IsOut->because(title: $title),
            self::Void => throw PaperRefusal::IsVoid->because(title: $title),
            default => null,
        };
    }
}
