<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

/** What is answered to the question whether a PDF is whole and ours. */
enum SealAnswer: string
{
    case Holds = 'holds';
    case AnotherHolds = 'signed by another';
    case AddedTo = 'added to';
    case Changed = 'changed';
    case NotSealed = 'not sealed';

    /** Whether it is our own seal and nothing has changed. */
    public function isOurs(): bool
    {
        return $this === self::Holds;
    }
}
