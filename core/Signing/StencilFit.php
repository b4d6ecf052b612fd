<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/** A stencil laid over a paper. */
final readonly class StencilFit
{
    /**
     * @param float $share how much of the stencil's paper stands on this one, 0 to 1
     * @param list<StencilMark> $marks where they are on this paper
     */
    public function __construct(public float $share, public array $marks)
    {
    }
}
