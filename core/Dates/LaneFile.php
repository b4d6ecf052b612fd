<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * A file as it is laid out in a lane of its own.
 */
final readonly class LaneFile
{
    /**
     * @param string $shape the seat whose shape and tone stand before its name: whom it is for
     * @param int $percent of its requirements that are settled
     * @param LocalDate|null $start acceptance, where there is one
     * @param list<Deadline> $deadlines
     * @param list<string> $done names of those that are done
     */
    public function __construct(
        public string $key,
        public string $name,
        public string $shape,
        public int $percent,
        public ?LocalDate $start,
        public ?LocalDate $closing,
        public array $deadlines,
        public array $done,
    ) {
    }
}
