<?php

declare(strict_types=1);

namespace Unanimus\Running;

/** How a step of setting up stands. */
enum SetupState: string
{
    case Open = 'open';
    case Later = 'later';
    case Checked = 'checked';
    case Done = 'done';

    /** Whether it is asked about no more. */
    public function isSettled(): bool
    {
        return $this !== self::Open;
    }
}
