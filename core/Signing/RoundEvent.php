<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * Something that happened in a round; a round's state is what its events, folded in order, come to.
 */
final readonly class RoundEvent
{
    /**
     * @param string|null $seat whose doing it was; null when the sender's
     * @param array<string, mixed> $data what it carried: the mark made, the reason for declining
     */
    public function __construct(public EventKind $kind, public ?string $seat = null, public array $data = [])
    {
    }
}
