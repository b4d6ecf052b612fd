<?php

declare(strict_types=1);

namespace Unanimus\Roster;

/** What becomes of an open file when its agent leaves. */
enum FileFate: string
{
    /** Another agent goes on with it. */
    case Move = 'move';
    /** It stays with the office, and nobody works on it until the broker says who. */
    case Freeze = 'freeze';
    /** The agent brings it to its end until the last day. */
    case Finish = 'finish';

    /** As read on the screen. */
    public function label(): string
    {
        return match ($this) {
            self::Move => 'goes to',
            self::Freeze => 'stays with the office',
            self::Finish => 'is finished by then',
        };
    }
}
