<?php

declare(strict_types=1);

namespace App\Work;

/** Work that must not be tried again until a person has looked at it; the message says why. */
final class WorkStopped extends \RuntimeException
{
}
