<?php

declare(strict_types=1);

namespace Unanimus\Messages;

/** One letter of a message, worded for those it goes to. */
final readonly class PlannedLetter
{
    /** @param  non-empty-list<Recipient>  $to */
    public function __construct(public array $to, public string $subject, public string $body)
    {
    }
}
