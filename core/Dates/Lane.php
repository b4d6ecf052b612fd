<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * A file's line among the others: how far down it is drawn, from where to where, and what stands on it.
 */
final readonly class Lane
{
    /**
     * @param float|null $from where it begins; null: nothing is accepted yet
     * @param float|null $to where it ends; null: no closing date
     * @param LaneClose|null $close its closing, where that is within what is shown
     * @param list<LaneFlag> $flags its deadlines within what is shown
     * @param string $ending its closing in words, also where it lies beyond what is shown
     */
    public function __construct(
        public string $key,
        public string $name,
        public string $shape,
        public int $percent,
        public float $y,
        public ?float $from,
        public ?float $to,
        public ?LaneClose $close,
        public array $flags,
        public string $ending,
    ) {
    }

    /** Its closing and deadlines in words, in the order in which they are read. */
    public function told(): string
    {
        return implode(' · ', [
            $this->ending,
            ...array_map(static fn (LaneFlag $flag) => $flag->title, $this->flags),
        ]);
    }
}
