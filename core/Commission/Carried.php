<?php

declare(strict_types=1);

namespace Unanimus\Commission;

/**
 * What the sheets of one deal leave to each other besides the agents' totals: what was taken of yearly caps.
 *
 * @internal to its area
 */
final class Carried
{
    /** @var array<string, int> cents paid to the franchise, by whose cap it is */
    public array $franchise = [];

    /** @var array<string, int> cents of fees with a yearly cap, by payer and label */
    public array $fees = [];
}
