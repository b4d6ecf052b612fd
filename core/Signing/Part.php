<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/** What someone who is asked in a round does in it. */
enum Part: string
{
    case Signs = 'signs';
    case Approves = 'approves';
    case Reads = 'reads';

    /** As chosen on the desk. */
    public function label(): string
    {
        return match ($this) {
            self::Signs => 'signs',
            self::Approves => 'approves before it goes on',
            self::Reads => 'only reads it',
        };
    }

    /** As told once they have: "Approved it". */
    public function done(): string
    {
        return match ($this) {
            self::Signs => 'Finished signing',
            self::Approves => 'Approved it',
            self::Reads => 'Read it',
        };
    }
}
