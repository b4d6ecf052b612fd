<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Money\Money;

/** One step of the computation, with its formula in figures. */
final readonly class Step
{
    /** A labelled amount and how it came about. */
    public function __construct(public string $label, public string $formula, public Money $amount)
    {
    }
}
