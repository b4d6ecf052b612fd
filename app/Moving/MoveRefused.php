<?php

declare(strict_types=1);

namespace App\Moving;

/** A folder that is not taken in; its message says why, and what to do. */
final class MoveRefused extends \RuntimeException
{
}
