<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * How a message was taken, as a mail server is told (RFC 3463): what begins with 4 it keeps and sends again.
 */
enum LmtpAnswer: string
{
    case Kept = '250 2.0.0 Kept';
    case Later = '451 4.3.0 It cannot be kept now';
    case Full = '452 4.3.1 The disk is full';
    case TooLarge = '552 5.3.4 Larger than 60 MB';
    case NoMessage = '554 5.6.0 There is no message in it';
}
