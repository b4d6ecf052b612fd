<?php

declare(strict_types=1);

namespace Unanimus\Retention;

/** Where a file stands on its way from its last day to being purged. */
enum RetentionStage: string
{
    /** It is still worked on: nothing runs. */
    case Open = 'open';
    /** Nobody has said how long files like it are kept: it is kept for good. */
    case NoPeriod = 'no-period';
    case Running = 'running';
    /** Its time ends within the notice, and the notice has not been given. */
    case ToAnnounce = 'to-announce';
    case Announced = 'announced';
    /** Notice was given, its time is over, and nothing holds it. */
    case Due = 'due';
    case Held = 'held';

    /** As read on the screen. */
    public function label(): string
    {
        return match ($this) {
            self::Open => 'open file',
            self::NoPeriod => 'kept, no period set',
            self::Running => 'kept',
            self::ToAnnounce, self::Announced => 'will be purged',
            self::Due => 'being purged',
            self::Held => 'on hold',
        };
    }
}
