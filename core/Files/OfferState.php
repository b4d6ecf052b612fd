<?php

declare(strict_types=1);

namespace Unanimus\Files;

use Unanimus\Steps\StepRefused;

/**
 * Where an offer on a listing stands.
 */
enum OfferState: string
{
    case Open = 'open';
    case Countered = 'countered';
    case Chosen = 'chosen';
    case Declined = 'declined';

    /** In a sentence: "This offer is already accepted." */
    public function readable(): string
    {
        return $this === self::Chosen ? 'accepted' : $this->value;
    }

    /** Whether it is still to be reckoned with: open, or the contract. */
    public function isLive(): bool
    {
        return $this === self::Open || $this === self::Chosen;
    }

    /** Whether it may be accepted while no other is. */
    public function mayBeChosen(): bool
    {
        return $this === self::Open || $this === self::Declined;
    }

    /**
     * Lets pass a change of its terms.
     *
     * @throws StepRefused when it is the contract, or a counter-offer has taken its place
     */
    public function mustChange(): void
    {
        if ($this === self::Chosen || $this === self::Countered) {
            throw OfferRefusal::NoLongerChanges->because(state: $this->readable());
        }
    }

    /**
     * After the sellers decline it.
     *
     * @throws StepRefused when it is the contract
     */
    public function decline(): self
    {
        return $this === self::Chosen ? throw OfferRefusal::IsTheContract->because() : self::Declined;
    }

    /**
     * After the sellers accept it. One that was declined may be taken after all; one that was countered is an offer no more.
     *
     * @param string|null $contract whose offer is the contract already
     *
     * @throws StepRefused when another is the contract, or this one was countered
     */
    public function choose(?string $contract): self
    {
        return match (true) {
            $contract !== null => throw OfferRefusal::AnotherIsTheContract->because(buyers: $contract),
            $this === self::Countered => throw OfferRefusal::WasCountered->because(),
            default => self::Chosen,
        };
    }
}
