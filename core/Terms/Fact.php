<?php

declare(strict_types=1);

namespace Unanimus\Terms;

/**
 * Something known of the deal, with where it is known from.
 */
final readonly class Fact
{
    /**
     * @param string $value as kept; never empty
     * @param string $source in words: "term", "listing exchange, 3 Nov", "price × 96.5 %"
     */
    public function __construct(public string $value, public string $source)
    {
    }
}
