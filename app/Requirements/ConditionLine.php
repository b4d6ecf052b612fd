<?php

declare(strict_types=1);

namespace App\Requirements;

/** One condition as the editor shows it. */
final readonly class ConditionLine
{
    /** @param  string  $group  "0" outside of groups, else its number */
    public function __construct(
        public string $fact = '',
        public string $operator = 'is',
        public string $value = '',
        public string $group = '0',
    ) {
    }
}
