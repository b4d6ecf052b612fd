<?php

declare(strict_types=1);

namespace App\Signing;

use Unanimus\Signing\MarkKind;
use Unanimus\Signing\Seat;

/** A place to sign as someone puts it on a page. */
final readonly class PlacedMark
{
    /**
     * @param int $paper its place in the round, from 0
     * @param int $page from 1
     * @param array<mixed> $place left, top, width, height in points from the upper left of the page, as sent
     * @param array<string, mixed> $terms what is asked there beyond its kind, as sent
     */
    public function __construct(
        public int $paper,
        public int $page,
        public Seat $seat,
        public MarkKind $kind,
        public array $place,
        public array $terms = [],
    ) {
    }
}
