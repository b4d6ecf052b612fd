<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

/** A condition, rule or kit in which something cannot be read; its message says what, in words for the one who wrote it. */
final class ConditionUnreadable extends \InvalidArgumentException
{
}
