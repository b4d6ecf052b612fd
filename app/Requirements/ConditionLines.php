<?php

declare(strict_types=1);

namespace App\Requirements;

/** Conditions as the editor shows them: lines, and how they hold together. */
final readonly class ConditionLines
{
    /**
     * @param 'all'|'any'|'none'|string $mode of the lines outside of groups
     * @param array<int|string, string> $inner the mode of each group
     * @param list<ConditionLine> $lines
     */
    public function __construct(public string $mode, public array $inner, public array $lines)
    {
    }

    /** @return list<ConditionLine> with empty ones to write in */
    public function withRoom(): array
    {
        return [...$this->lines, ...array_fill(0, max(2, 4 - count($this->lines)), new ConditionLine())];
    }
}
