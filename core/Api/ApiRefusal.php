<?php

declare(strict_types=1);

namespace Unanimus\Api;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why a token, a webhook or a call of the interface is refused. */
enum ApiRefusal: string implements Reason
{
    use Refuses;

    case NoName = 'api.no-name';
    case NoScope = 'api.no-scope';
    case NoAddress = 'api.no-address';
    case OwnNetwork = 'api.own-network';
    case NoHost = 'api.no-host';
    case NoEvents = 'api.no-events';
    case TooMany = 'api.too-many';
    case UnknownField = 'api.unknown-field';
    case EventNeedsScope = 'api.event-needs-scope';
    case OtherBody = 'api.other-body';

    /** What the person or program is told. */
    public function words(): string
    {
        return match ($this) {
            self::NoName => 'Say what the token is for, so that you know it again.',
            self::NoScope => 'Select what the token may be used for.',
            self::NoAddress => 'Enter the full address of the program to call. It begins with https://.',
            self::OwnNetwork => 'This address is inside our own network and cannot be called.',
            self::NoHost => 'There is no such host.',
            self::NoEvents => 'Select at least one event.',
            self::TooMany => 'You have {count} of them already. Remove one you do not use.',
            self::UnknownField => 'There is no field “{field}”. Nothing was changed.',
            self::EventNeedsScope => 'To be told of {event} the token needs the scope {scope}. Nothing was set up.',
            self::OtherBody => 'This Idempotency-Key was used for another request. Nothing was changed.',
        };
    }
}
