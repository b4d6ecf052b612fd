<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/**
 * Something on a paper that a person should look at before others do.
 */
final readonly class Finding
{
    /** @param  string  $blank  where on the paper, $text what is wrong, in words */
    public function __construct(public string $blank, public string $text)
    {
    }
}
