<?php

declare(strict_types=1);

namespace App\Models;

/** What a person is in an office. */
enum Role: string
{
    case Agent = 'agent';
    case Coordinator = 'coordinator';
    case Broker = 'broker';
    case Bookkeeper = 'bookkeeper';
    case Administrator = 'administrator';

    /** Whether the role sees every file of its office, not only those the person serves. */
    public function seesOffice(): bool
    {
        return in_array($this, [self::Broker, self::Bookkeeper, self::Administrator], true);
    }
}
