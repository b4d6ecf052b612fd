<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/** What happens to papers once the client has filled them in. */
enum Afterwards: string
{
    case Nothing = 'nothing';
    case Look = 'look';
    case Sign = 'sign';

    /** As chosen where a client is asked. */
    public function label(): string
    {
        return match ($this) {
            self::Nothing => 'nothing more',
            self::Look => 'I look at it, then send it for signature',
            self::Sign => 'they sign at once, on the same link',
        };
    }
}
