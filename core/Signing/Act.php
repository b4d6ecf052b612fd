<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * What a signer may do at one place: whether they must, and on what it depends.
 */
final readonly class Act
{
    /**
     * @param string $key of the mark
     * @param bool $isRequired whether the round is not complete without it
     * @param string $group marks of one signer of which only one may stand; empty for none
     * @param string $when key of the mark that has to stand for this one to be asked for; empty for none
     * @param bool $isEntered whether it is a text or a check mark, that can be taken back until finishing
     */
    public function __construct(
        public string $key,
        public bool $isRequired = true,
        public string $group = '',
        public string $when = '',
        public bool $isEntered = false,
    ) {
    }
}
