<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/** Where a signer stands in a round. */
enum SignerStatus: string
{
    case Waiting = 'waiting';
    case Invited = 'invited';
    case Opened = 'opened';
    case Consented = 'consented';
    case Finished = 'finished';
    case Declined = 'declined';
}
