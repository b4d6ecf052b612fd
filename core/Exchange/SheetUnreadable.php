<?php

declare(strict_types=1);

namespace Unanimus\Exchange;

/** A table that cannot be taken; its message says why and what to do. */
final class SheetUnreadable extends \InvalidArgumentException
{
}
