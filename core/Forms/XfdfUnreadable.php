<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/** What was given is no XFDF that is taken; the message says why. */
final class XfdfUnreadable extends \RuntimeException
{
}
