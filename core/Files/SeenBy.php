<?php

declare(strict_types=1);

namespace Unanimus\Files;

use Unanimus\Parties\DealKind;
use Unanimus\Parties\Representation;
use Unanimus\Parties\Side;
use Unanimus\Steps\StepRefused;

/**
 * Who sees a paper, a round, an entry of the history: in a file of both sides one of them or both, and of those the office alone or its
 * agents too.
 */
final readonly class SeenBy
{
    /**
     * @param Side|null $side null: both sides
     * @param bool $staffOnly whether agents do not see it
     */
    public function __construct(public ?Side $side, public bool $staffOnly)
    {
    }

    /** Everyone who serves the file. */
    public static function everyone(): self
    {
        return new self(null, false);
    }

    /** One side of the file, or everyone where it is nobody's own affair. */
    public static function side(?Side $side): self
    {
        return new self($side, false);
    }

    /** @return list<Side> the sides a paper of such a file may belong to; none where the brokerage serves one side only */
    public static function sides(DealKind $kind, Representation $represents): array
    {
        return $represents->isBoth() ? $kind->sides() : [];
    }

    /** In words. */
    public function readable(): string
    {
        return ($this->side === null ? 'everyone on '.
            'the file' : "the {$this->side->value}’s side").($this->staffOnly ? ', office only' : '');
    }

    /** Whether the same people see it. */
    public function is(self $other): bool
    {
        return $this->side === $other->side && $this->staffOnly === $other->staffOnly;
    }

    /**
     * Lets pass what a person may say of a paper: their own side's they show to the other and take back, what is common
     * only the coordinator and the broker make one side's own, and only they keep a paper to the office.
     *
     * @param list<Side> $sides those of the file
     * @param Side|null $own the side the person serves; null: both
     * @param bool $isStaff whether the person answers for the file or is its coordinator
     *
     * @throws StepRefused when it is not theirs to say
     */
    public function to(self $wanted, array $sides, ?Side $own, bool $isStaff): self
    {
        match (true) {
            $wanted->side !== null && ! in_array($wanted->side, $sides, true) => throw SightRefusal::NoSuchSide->because(),
            $wanted->side !== $this->side && $own !== null && $this->side !== $own => throw SightRefusal::BothSidesSeeIt->because(),
            $wanted->side !== null && $own !== null && $wanted->side !== $own => throw SightRefusal::OutOfOwnSight->because(),
            $wanted->staffOnly !== $this->staffOnly && ! $isStaff => throw SightRefusal::OnlyStaff->because(),
            default => null,
        };

        return $wanted;
    }
}
