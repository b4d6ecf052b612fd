<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/** Deadline rules that count from each other in a circle. */
final class CircularRules extends \DomainException
{
}
