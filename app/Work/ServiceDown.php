<?php

declare(strict_types=1);

namespace App\Work;

/** An outside service that work needs did not do its part now; the message is read by people ("the time stamp"). */
final class ServiceDown extends \RuntimeException
{
}
