<?php

declare(strict_types=1);

namespace Unanimus\Steps;

/** Why something typed is refused, wherever it is typed. */
enum EntryRefusal: string implements Reason
{
    use Refuses;

    case Unreadable = 'entry.unreadable';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::Unreadable => 'This cannot be read. Nothing was saved.',
        };
    }
}
