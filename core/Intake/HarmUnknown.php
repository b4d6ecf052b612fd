<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/** Whether a file holds harmful code cannot be said now; the message is for the log. */
final class HarmUnknown extends \RuntimeException
{
}
