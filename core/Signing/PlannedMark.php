<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Rect;

/** A place on a page of a round that is to go out. */
final readonly class PlannedMark
{
    /**
     * @param string $paper key of the paper
     * @param int $page from 1
     * @param string $covers printed words that lie under it
     */
    public function __construct(
        public string $key,
        public string $paper,
        public int $page,
        public Seat $seat,
        public MarkKind $kind,
        public Rect $place,
        public string $covers = '',
    ) {
    }
}
