<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Dates\LocalDate;

/**
 * One thing that is wrong with a round, with where it is mended.
 */
final readonly class RoundFault
{
    /**
     * @param string $text in words, for the person who sends
     * @param string|null $signer key of the signer it is about
     * @param string|null $paper key of the paper it is about
     * @param string|null $mark key of the place it is about, or of one that shows how it should be
     * @param LocalDate|null $day the last day that would set it right
     * @param int $pages how many pages it is about
     */
    public function __construct(
        public RoundFaultKind $kind,
        public string $text,
        public ?string $signer = null,
        public ?string $paper = null,
        public ?string $mark = null,
        public ?LocalDate $day = null,
        public int $pages = 0,
    ) {
    }
}
