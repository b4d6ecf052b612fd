<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/** A file from outside that is not taken; the message tells a person why and what to do. */
final class BringRefused extends \RuntimeException
{
}
