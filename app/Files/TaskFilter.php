<?php

declare(strict_types=1);

namespace App\Files;

/** Which tasks are looked at. */
final readonly class TaskFilter
{
    /**
     * @param string $who "me", "none", the id of a person, or anyone
     * @param string $when late, today, week, undated, or any
     * @param bool $done those that are done instead of those that are open
     */
    public function __construct(
        public string $who = 'me',
        public string $when = '',
        public bool $done = false,
        public ?int $office = null,
        public string $kind = '',
    ) {
    }
}
