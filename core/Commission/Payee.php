<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Money\Money;

/** Someone who is paid at closing. */
final readonly class Payee
{
    /** A name, what they are in the deal, their amount and its formula. */
    public function __construct(public string $name, public string $role, public Money $amount, public string $formula)
    {
    }
}
