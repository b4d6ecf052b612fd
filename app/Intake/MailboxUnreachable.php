<?php

declare(strict_types=1);

namespace App\Intake;

/** The mail server does not answer, or refuses; it is asked again a minute later. */
final class MailboxUnreachable extends \RuntimeException
{
}
