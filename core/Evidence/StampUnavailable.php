<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

/** The time-stamping authority did not give a token; the work is tried again later. */
final class StampUnavailable extends \RuntimeException
{
}
