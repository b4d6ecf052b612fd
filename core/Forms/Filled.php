<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/**
 * One blank as it stands: its value and where the value comes from.
 */
final readonly class Filled
{
    /**
     * @param string $value as kept; empty when there is none
     * @param string $source in words
     * @param bool $entered whether it was entered on this paper
     * @param bool $departs whether it knowingly differs from the term it is bound to
     * @param string|null $followed what the term says
     */
    public function __construct(
        public Blank $blank,
        public string $value,
        public string $source,
        public bool $entered,
        public bool $departs,
        public ?string $followed,
    ) {
    }
}
