<?php

declare(strict_types=1);

namespace Unanimus\Commission;

/** What was given to be reckoned cannot be; the message says what is wrong in it. */
final class ReckoningRefused extends \RuntimeException
{
}
