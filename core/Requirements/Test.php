<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

use Unanimus\Terms\Facts;

/**
 * What can be asked of a deal's facts: one condition, or several put together.
 */
interface Test
{
    /** Whether it holds. */
    public function holds(Facts $facts): bool;

    /** As read: "Year built is below 1978". */
    public function words(): string;

    /** @return list<string> the names of the facts it asks for */
    public function facts(): array;

    /** @return array<mixed> as stored */
    public function toArray(): array;
}
