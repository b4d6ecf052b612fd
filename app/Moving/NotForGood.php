<?php

declare(strict_types=1);

namespace App\Moving;

/** Takes back what was done to see what it would come to, and carries that out. */
final class NotForGood extends \RuntimeException
{
    /** @param  array<int, string>  $told */
    public function __construct(public readonly array $told)
    {
        parent::__construct('Tried, not for good.');
    }
}
