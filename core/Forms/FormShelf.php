<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/**
 * Where forms stand besides the built-in ones: a set of an office's own.
 */
interface FormShelf
{
    /** A form by its number, in the revision in force or the one that is named; null when there is none. */
    public function find(string $number, ?string $revision = null): ?Form;

    /** @return list<Form> those in force, by number */
    public function all(): array;
}
