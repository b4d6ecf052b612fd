<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * One signer's part in a round's plan: the turn they are asked in and the marks they owe.
 */
final readonly class Turn
{
    /**
     * @param int $turn those with the same number are asked together; lower numbers first
     * @param list<string> $owes keys of the marks that need an act of theirs
     */
    public function __construct(public string $seat, public int $turn, public array $owes)
    {
    }
}
