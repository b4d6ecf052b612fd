<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/** A deadline rule, or a request to compute dates, in which something cannot be read; its message says what. */
final class RuleUnreadable extends \InvalidArgumentException
{
}
