<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/**
 * One entry as it was made on a paper.
 */
final readonly class LoggedEntry
{
    /** @param  string|null  $value  as kept; null: the entry was taken away, so that the blank follows its term */
    public function __construct(public string $blank, public ?string $value, public string $who, public \DateTimeImmutable $at)
    {
    }
}
