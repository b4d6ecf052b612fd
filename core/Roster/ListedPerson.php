<?php

declare(strict_types=1);

namespace Unanimus\Roster;

/** Somebody of a list. */
final readonly class ListedPerson
{
    /**
     * @param string $line as it stood there
     * @param string $role as Unanimus calls it; empty: not said
     * @param string $office its name; empty: not said
     */
    public function __construct(
        public string $line,
        public string $name,
        public string $email,
        public string $role,
        public string $office,
    ) {
    }
}
