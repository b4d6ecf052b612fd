<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Files\PaperState;

/**
 * A paper that is to go out in a round.
 */
final readonly class PlannedPaper
{
    /**
     * @param bool $isSigned whether anyone has a place to sign on it
     * @param list<string> $missing labels of its required blanks that are empty
     * @param int $pencil places found on it that nobody has looked at
     * @param list<string> $unclear words on it that name somebody without saying whom: "client"
     * @param bool $reading whether its places are still being looked for
     * @param int $unseen pages of it that nobody has looked at since it was put into the round
     */
    public function __construct(
        public string $key,
        public string $title,
        public PaperState $state,
        public bool $isSigned,
        public array $missing = [],
        public int $pencil = 0,
        public array $unclear = [],
        public bool $reading = false,
        public int $unseen = 0,
    ) {
    }
}
